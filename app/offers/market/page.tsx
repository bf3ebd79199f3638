import type { Metadata } from 'next';
import Link from 'next/link';
import { marketPrices } from '@/service/market/market';
import { MarketPricesTable } from '@/ui/offers/market-prices';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../../desk';
import { enterPage } from '../../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('offers');
  return { title: t('prices.title') };
}

/** What a GB of memory cost over the last year, so that a fair price is known. */
export default async function MarketPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const t = await getTranslations('offers');
  const caller = await enterPage('costs.read');
  const { kind } = await searchParams;
  const familyId = typeof kind === 'string' && /^[1-9]\d{0,4}$/.test(kind) ? Number(kind) : null;
  const prices = await marketPrices(caller, familyId);
  return (
    <Desk caller={caller} here="/offers" words={['offers']}>
      <main id="work" className="max-w-7xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex flex-wrap items-baseline gap-x-5">
          <h1 className="text-xl">{t('prices.title')}</h1>
          <Link href="/offers" className="text-sm underline underline-offset-4">
            {t('allOffers')}
          </Link>
        </div>
        <MarketPricesTable {...prices} />
      </main>
    </Desk>
  );
}
