import { type CountingGround, couponRuns } from '../../core/pricing/counted-price';
import type { SellerTerms } from '../../core/pricing/seller-terms';
import { dayOfShop, getSeller, listRates } from '../../store/market/sellers';
import type { Queryable } from '../../store/queryable';
import { getShop } from '../../store/shop/shop';

/** Terms of a seller whose numbers are what the shop pays. */
export const plainTerms = (currency: string): SellerTerms => ({
  currency,
  withTax: false,
  taxBp: 0,
  taxBack: true,
  shipping: { kind: 'none' },
});

/** What a seller's prices are counted by today. */
export async function groundOf(db: Queryable, sellerId: number): Promise<CountingGround> {
  const { currency } = await getShop(db);
  const { day } = await dayOfShop(db);
  const terms = (await getSeller(db, sellerId))?.terms ?? plainTerms(currency);
  return { terms, currency, day, rates: await listRates(db, currency) };
}

/** All of a ground that changes what prices without a coupon come to; it is the same on most days. */
export function groundMark({ terms, currency, day, rates }: CountingGround): object {
  const [rate] = rates.filter(({ from, on }) => from === terms.currency && on <= day);
  const runs = terms.promotion != null && couponRuns(terms.promotion, day);
  return { terms, currency, micro: rate?.micro ?? null, runs };
}

/** Objects with their keys in one order, as the database keeps them in an order of its own. */
function ordered(value: unknown): unknown {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return value;
  const entries = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([key, held]) => [key, ordered(held)]));
}

/** Are two grounds one, as far as prices go? */
export const sameMark = (a: unknown, b: unknown): boolean => JSON.stringify(ordered(a)) === JSON.stringify(ordered(b));
