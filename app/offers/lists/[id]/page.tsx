import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Desk } from '@/app/desk';
import { enterPage } from '@/app/enter';
import { idOf } from '@/app/handle';
import { showList } from '@/service/market/price-lists';
import { PriceListLook } from '@/ui/offers/lists/price-list-look';
import { getTranslations } from '@/ui/words/on-the-server';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('offers');
  return { title: t('lists.title') };
}

/** A price list as it is looked at before it counts. */
export default async function PriceListPage({ params }: { params: Promise<{ id: string }> }) {
  const caller = await enterPage('offers.price');
  const view = await showList(caller, idOf(await params));
  if (view === null) notFound();
  const { list, currency, shopCurrency, doubtfulColumns, whyColumns, groups, work } = view;
  const { id, name, seller, state, sentence, sample, passedOver, gone, outcome, headings, columns, capacityIs } = list;
  return (
    <Desk caller={caller} here="/offers" words={['offers']}>
      <main id="work" className="max-w-6xl mx-auto px-4 py-4">
        <PriceListLook
          list={{
            id,
            name,
            seller,
            state,
            sentence,
            sample,
            passedOver,
            gone,
            outcome,
            headings,
            columns,
            capacityIs: capacityIs ?? null,
          }}
          currencies={{ printed: currency, own: shopCurrency }}
          doubtfulColumns={doubtfulColumns}
          whyColumns={whyColumns}
          groups={groups}
          work={work}
        />
      </main>
    </Desk>
  );
}
