import type { Metadata } from 'next';
import { mayDo } from '@/service/access';
import { SHELF_NAME } from '@/service/offers-for-job';
import { offerRows } from '@/service/prices';
import { OfferList } from '@/ui/offers/offer-list';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export const metadata: Metadata = { title: 'Offers' };

/** What can be bought, from whom, at what price today and before. */
export default async function OffersPage() {
  const caller = await enterPage('offers.read');
  const { currency, offers, feeds } = await offerRows();
  const listed = offers.map(
    ({ id, title, origin, modules, module, stock, sellerName, costCents, sellCents, history }) => ({
      id,
      title,
      origin,
      modules,
      module,
      stock,
      seller: sellerName ?? SHELF_NAME,
      costCents,
      sellCents,
      history,
    }),
  );
  return (
    <Desk caller={caller} here="/offers">
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid gap-4">
        <h1 className="text-xl">Offers</h1>
        <OfferList offers={listed} currency={currency} feeds={feeds} mayPrice={mayDo(caller.role, 'offers.price')} />
      </main>
    </Desk>
  );
}
