import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { enterPage } from '@/app/enter';
import { idOf } from '@/app/handle';
import { customerScreen } from '@/service/job/quote/customer-screen';
import { CustomerScreenPage } from '@/ui/customer/customer-screen';
import { getTranslations } from '@/ui/words/on-the-server';
import { ScreenWords } from '@/ui/words/screen-words';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('job');
  return { title: t('forCustomer') };
}

/** What is offered, on the screen turned to the customer: a page of its own, made of what the customer may see. */
export default async function CustomerPage({ params }: { params: Promise<{ id: string }> }) {
  const caller = await enterPage('jobs.read');
  const screen = await customerScreen(caller, idOf(await params));
  if (screen === null) notFound();
  return (
    <ScreenWords of={['customer']}>
      <CustomerScreenPage {...screen} />
    </ScreenWords>
  );
}
