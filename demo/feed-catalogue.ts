import { demoOffers } from './market';
import { seeded } from './random';
import { DEMO_SEED } from './seed';
import { DEMO_SELLERS } from './sellers';

/** What the demo sellers' feeds know: each seller's parts with their cost. */
export function feedCatalogue(currency: string) {
  const offers = demoOffers(seeded(DEMO_SEED));
  const sellers = DEMO_SELLERS.map(({ slug }, seller) => {
    const own = offers.filter((offer) => offer.seller === seller && offer.sellerPart !== null);
    return [slug, own.map(({ sellerPart, costCents, stock }) => ({ part: sellerPart, costCents, stock }))];
  });
  return { currency, sellers: Object.fromEntries(sellers) };
}
