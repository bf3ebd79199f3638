import { z } from 'zod';
import { countedPrice, type ExchangeRate } from '../core/pricing/counted-price';
import { type SellerTerms, sellerTermsSchema } from '../core/pricing/seller-terms';
import { pool, type Queryable, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { clearRows } from '../store/list-rows';
import { insertPrice } from '../store/offers';
import { deleteStrandedLists } from '../store/price-lists';
import {
  getSeller,
  insertRate,
  listPrintedNow,
  listRates,
  listSellers,
  type Seller,
  setCountedOn,
  shopDay,
  updateSeller,
} from '../store/sellers';
import { recountShelf } from '../store/shelf';
import { getShop } from '../store/shop';
import type { Caller } from './access';
import { done, fault, type Result } from './result';

/** Terms of a seller whose numbers are what the shop pays. */
export const plainTerms = (currency: string): SellerTerms => ({
  currency,
  withTax: false,
  taxBp: 0,
  taxBack: true,
  shipping: { kind: 'none' },
});

export interface SellerDesk {
  sellers: Seller[];
  rates: ExchangeRate[];
  currency: string;
  day: string;
}

export async function sellerDesk(): Promise<SellerDesk> {
  const { currency } = await getShop(pool());
  const { day } = await shopDay(pool());
  return { sellers: await listSellers(pool()), rates: await listRates(pool(), currency), currency, day };
}

/** Counts printed prices anew, of one seller or of all; those that come out otherwise get a new price. */
async function recount(db: Queryable, sellerId: number | null, why: string): Promise<number> {
  const { currency } = await getShop(db);
  const { day } = await shopDay(db);
  const rates = await listRates(db, currency);
  const terms = new Map((await listSellers(db)).map((seller) => [seller.id, seller.terms ?? plainTerms(currency)]));
  let changed = 0;
  for (const now of await listPrintedNow(db, sellerId)) {
    const { printedCents, coupon, modules, units } = now;
    const own = terms.get(now.sellerId) ?? plainTerms(currency);
    const counted = countedPrice({ cents: printedCents, coupon, modules, units }, own, { currency, day, rates });
    // Without a rate the last counted price stays: it is old, not wrong.
    if (!counted.ok || counted.costCents === now.costCents || counted.costCents <= 0) continue;
    const printed = { printedCents, coupon, units, steps: counted.steps };
    await insertPrice(db, now.offerId, counted.costCents, why, null, printed);
    changed++;
  }
  return changed;
}

/** Counts printed prices once a day: coupons end and rates begin with a day. What lists left lying is tidied. */
export async function countForToday(): Promise<void> {
  const { day, counted } = await shopDay(pool());
  if (counted) return;
  await transaction(async (db) => {
    if (!(await setCountedOn(db, day))) return;
    await recount(db, null, `counted for ${day}`);
    await recountShelf(db);
    await clearRows(db);
    await deleteStrandedLists(db);
  });
}

export const sellerSchema = z
  .strictObject({
    leadDays: z.number().int().min(0, 'Days are 0 or more.').max(120, 'At most 120 days.'),
    terms: sellerTermsSchema.nullable(),
    trust: z.enum(['own-stock', 'marketplace']),
    returns: z.string().trim().max(200, 'At most 200 characters, please.'),
    orderContact: z.string().trim().max(200, 'At most 200 characters, please.'),
    /** hundredths of a star */
    rating: z.number().int().min(100, 'Stars are 1 to 5.').max(500, 'Stars are 1 to 5.').nullable().default(null),
    ratingCount: z.number().int().positive().max(10_000_000).nullable().default(null),
  })
  .refine(({ rating, ratingCount }) => (rating === null) === (ratingCount === null), {
    message: 'A rating is stars and how many gave them.',
  });

/** Writes a seller's terms; what it printed is counted by them from now on. */
export async function saveSeller(
  caller: Caller,
  id: number,
  seller: z.infer<typeof sellerSchema>,
): Promise<Result<{ changed: number }>> {
  return transaction(async (db) => {
    const before = await getSeller(db, id);
    if (before === null) return fault('not-found', 'There is no such seller.');
    await updateSeller(db, id, seller);
    const changed = await recount(db, id, `terms of ${before.name}`);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'seller-changed', detail: { id, seller, changed } });
    return done({ changed });
  });
}

export const rateSchema = z.strictObject({
  from: z.string().regex(/^[A-Z]{3}$/, 'A currency has three letters, such as EUR.'),
  micro: z.number().int().positive('A rate is more than 0.').max(1_000_000_000_000),
  on: z.iso.date('A day is written as 2026-03-31.'),
});

/** Notes a dated rate into the shop's currency; what is printed in the other is counted by it. */
export async function noteRate(caller: Caller, rate: z.infer<typeof rateSchema>): Promise<Result<{ changed: number }>> {
  return transaction(async (db) => {
    const { currency } = await getShop(db);
    if (rate.from === currency) return fault('bad-input', `${currency} is the shop’s own currency.`);
    if (!(await insertRate(db, { ...rate, to: currency }, caller.id))) {
      return fault('conflict', 'There is a rate of that day already; a rate that is noted stays.');
    }
    const changed = await recount(db, null, `rate of ${rate.on}`);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'rate-noted', detail: { ...rate, changed } });
    return done({ changed });
  });
}
