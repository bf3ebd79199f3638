import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { enterPage } from '@/app/enter';
import { idOf } from '@/app/handle';
import { buyingSheet } from '@/service/job/options/what-to-buy';
import { BuyingSheetPage } from '@/ui/customer/buying-sheet';
import { getTranslations } from '@/ui/words/on-the-server';
import { ScreenWords } from '@/ui/words/screen-words';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('customer');
  return { title: t('whatToBuy') };
}

/** What a customer takes away who wants to buy alone, to be printed or shown. */
export default async function WhatToBuyPage({ params }: { params: Promise<{ id: string }> }) {
  const caller = await enterPage('jobs.read');
  const sheet = await buyingSheet(caller, idOf(await params));
  if (sheet === null) notFound();
  return (
    <ScreenWords of={['customer']}>
      <BuyingSheetPage {...sheet} />
    </ScreenWords>
  );
}
