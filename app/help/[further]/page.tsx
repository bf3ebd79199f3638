import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../../desk';
import { enterPage } from '../../enter';
import { HelpMarkdown } from '../help-parts';
import { furtherText } from '../help-text';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('frame');
  return { title: t('help') };
}

/** A document that the guides point to: what is read, formats, how prices are calculated. */
export default async function FurtherPage({ params }: { params: Promise<{ further: string }> }) {
  const caller = await enterPage('jobs.read');
  const t = await getTranslations('frame');
  const markdown = furtherText((await params).further);
  if (markdown === null) notFound();
  return (
    <Desk caller={caller} here="/help" words={[]}>
      <main id="work" className="max-w-4xl mx-auto px-4 py-4">
        <p className="no-print pb-3 text-sm">
          <Link href="/help" className="underline underline-offset-4">
            {t('help')}
          </Link>
        </p>
        <article lang="en">
          <HelpMarkdown>{markdown}</HelpMarkdown>
        </article>
      </main>
    </Desk>
  );
}
