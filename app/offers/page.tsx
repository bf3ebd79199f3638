import type { Metadata } from 'next';
import { mayDo } from '@/service/access';
import { SHELF_NAME } from '@/service/offers-for-job';
import { listsOfLate } from '@/service/price-lists';
import { offerRows } from '@/service/prices';
import { sellerDesk } from '@/service/sellers';
import { OfferList } from '@/ui/offers/offer-list';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export const metadata: Metadata = { title: 'Offers' };

/** What can be bought, from whom, at what price today and before. */
export default async function OffersPage() {
  const caller = await enterPage('offers.read');
  const { offers, feeds } = await offerRows();
  const { sellers, ...ground } = await sellerDesk();
  const lists = await listsOfLate();
  const listed = offers.map(({ pricedAt: _, leadDays: _days, steps: _steps, sellerName, ...offer }) => ({
    ...offer,
    seller: sellerName ?? SHELF_NAME,
  }));
  return (
    <Desk caller={caller} here="/offers">
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid gap-4">
        <h1 className="text-xl">Offers</h1>
        <OfferList
          offers={listed}
          sellers={sellers}
          lists={lists.map(({ id, name, seller, state }) => ({ id, name, seller, state }))}
          ground={ground}
          feeds={feeds}
          mayPrice={mayDo(caller.role, 'offers.price')}
        />
      </main>
    </Desk>
  );
}
