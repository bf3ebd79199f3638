import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { enter } from '@/app/enter';
import { hasLogo } from '@/service/logo';
import { openQuote } from '@/service/quote';
import { CustomerQuotePage } from '@/ui/customer/customer-quote';

export const metadata: Metadata = { title: 'Your quote', robots: { index: false, follow: false } };

/** A customer's quote. The token is all that opens it; any other leads to the same plain not-found. */
export default async function QuotePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  // Whoever is signed in looks at it for the shop.
  const isStaff = (await enter('jobs.read')).ok;
  const opened = await openQuote(token, !isStaff);
  if (opened === null) notFound();
  const logo = await hasLogo();
  return (
    <CustomerQuotePage
      {...opened}
      pdfPath={`/q/${token}/pdf`}
      jsonPath={`/q/${token}/json`}
      answerPath={`/q/${token}/answer`}
      logoPath={logo ? `/q/${token}/logo` : null}
    />
  );
}
