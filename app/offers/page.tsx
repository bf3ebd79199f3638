import type { Metadata } from 'next';
import Link from 'next/link';
import { OFFER_SORTS } from '@/core/market/offer-sort';
import { feedHealth } from '@/service/market/feeds';
import { askMarket, askMarketSchema, jobNamed, seenMarket } from '@/service/market/market';
import { originalsToSettle } from '@/service/market/originals';
import { showOwnStock } from '@/service/market/own-stock';
import { listsOfLate } from '@/service/market/price-lists';
import { sellerDesk } from '@/service/market/sellers';
import { showShelf } from '@/service/market/shelf';
import { mayDo } from '@/service/staff/access';
import { MarketDesk } from '@/ui/offers/market/market-desk';
import { Originals } from '@/ui/offers/originals';
import { RefreshPrices } from '@/ui/offers/refresh-prices';
import { SellerList } from '@/ui/offers/sellers/seller-list';
import { OwnStockSection } from '@/ui/offers/stock/own-stock';
import { OwnShelf } from '@/ui/offers/stock/shelf';
import { agoText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';
import { saidHere } from '../said-here';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('offers');
  return { title: t('title') };
}

type Query = Record<string, string | string[] | undefined>;

const only = (value: string | string[] | undefined): string => (typeof value === 'string' ? value : '');

/** What can be bought, from whom, at what price today and before. */
export default async function OffersPage({ searchParams }: { searchParams: Promise<Query> }) {
  const t = await getTranslations('offers');
  const caller = await enterPage('offers.read');
  const query = await searchParams;
  const job = /^[1-9]\d{0,8}$/.test(only(query.job)) ? await jobNamed(caller, Number(only(query.job))) : null;
  const wish = {
    text: only(query.find).slice(0, 400),
    jobId: job?.id ?? null,
    sort: OFFER_SORTS.find((sort) => sort === query.sort) ?? 'price',
  };
  const seesCost = mayDo(caller, 'costs.read');
  const market = await askMarket(caller, askMarketSchema.parse(wish));
  const { sellers, taxBp, ...ground } = await sellerDesk(caller);
  const pieces = (await showShelf(caller)).map(
    ({ putAt: _, offerId: _offer, test: _test, grade: _grade, costCents, ...piece }) => ({
      ...piece,
      costCents: seesCost ? costCents : null,
    }),
  );
  const stock = (await showOwnStock(caller)).map((row) => ({ ...row, costCents: seesCost ? row.costCents : null }));
  const originals = await originalsToSettle(caller);
  const lists = await listsOfLate(caller);
  const feeds = (await feedHealth(caller)).map(({ goodAt, ...feed }) => ({
    ...feed,
    sentence: feed.sentence === null ? null : saidHere(feed.sentence),
    age: goodAt && agoText(new Date(goodAt), new Date()),
  }));
  const mayPrice = mayDo(caller, 'offers.price');
  return (
    <Desk caller={caller} here="/offers" words={['intake', 'offers', 'trade']}>
      <main id="work" className="max-w-7xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <div className="flex flex-wrap items-baseline gap-x-5">
            <h1 className="text-xl">{t('title')}</h1>
            {seesCost && (
              <Link href="/offers/market" className="text-sm underline underline-offset-4">
                {t('prices.title')}
              </Link>
            )}
          </div>
          {mayPrice && feeds.length > 0 && <RefreshPrices />}
        </div>
        <MarketDesk
          start={seenMarket(market.ok ? market.value : { shelves: [], familyId: null, rows: [] }, seesCost)}
          wish={wish}
          jobName={job?.name ?? null}
          sellers={sellers}
          feeds={feeds}
          ground={ground}
          mayPrice={mayPrice}
          seesCost={seesCost}
          mayCompose={mayDo(caller, 'jobs.write')}
        />
        {mayPrice && <Originals {...originals} />}
        <OwnStockSection rows={stock} currency={ground.currency} mayWrite={mayDo(caller, 'stock.write')} />
        <OwnShelf pieces={pieces} currency={ground.currency} mayPrice={mayDo(caller, 'stock.write')} />
        <SellerList
          feeds={feeds}
          sellers={sellers}
          lists={lists.map(({ id, name, seller, state }) => ({ id, name, seller, state }))}
          ground={ground}
          mayPrice={mayPrice}
          isOwner={mayDo(caller, 'shop.settings')}
          taxBp={taxBp}
        />
      </main>
    </Desk>
  );
}
