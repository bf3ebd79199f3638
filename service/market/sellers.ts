import { z } from 'zod';
import { daySchema, idSchema } from '../../core/bounds';
import { type CountingGround, countedPrice, type ExchangeRate } from '../../core/pricing/counted-price';
import { sellerTermsSchema } from '../../core/pricing/seller-terms';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { clearRows } from '../../store/market/list-rows';
import { insertPrices, insertSeller } from '../../store/market/offers';
import { deleteStrandedLists } from '../../store/market/price-lists';
import {
  dayOfShop,
  findSeller,
  getSeller,
  insertRate,
  listCountedGrounds,
  listPrintedNow,
  listRates,
  listSellers,
  lockSellers,
  moveSeller,
  renameSeller,
  type Seller,
  setCountedGround,
  setCountedOn,
  setRetired,
  updateSeller,
} from '../../store/market/sellers';
import { recountShelf } from '../../store/market/shelf';
import type { Queryable } from '../../store/queryable';
import { getShop } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { groundMark, groundOf, sameMark } from './counting-ground';

export interface SellerDesk {
  sellers: Seller[];
  rates: ExchangeRate[];
  currency: string;
  day: string;
  /** the shop's usual tax, hundredths of a percent */
  taxBp: number;
}

export async function sellerDesk(_: Caller<'offers.read'>): Promise<SellerDesk> {
  const { currency, taxBp } = await getShop(pool());
  const { day } = await dayOfShop(pool());
  return { sellers: await listSellers(pool()), rates: await listRates(pool(), currency), currency, day, taxBp };
}

/** Prices that are calculated again with one statement. */
const AT_ONCE = 5_000;

/** Counts a seller's printed prices again; those that come out otherwise get a new price. Returns how many. */
async function recount(
  db: Queryable,
  sellerId: number,
  ground: CountingGround,
  why: string,
  which: 'all' | 'with-coupon' = 'all',
): Promise<number> {
  let changed = 0;
  for (let after = 0; ; ) {
    const printed = await listPrintedNow(db, sellerId, { after, most: AT_ONCE, which });
    const [last] = printed.slice(-1);
    if (last === undefined) break;
    after = last.offerId;
    const fresh = printed.flatMap(({ offerId, costCents, printedCents, coupon, modules, units }) => {
      const counted = countedPrice({ cents: printedCents, coupon, modules, units }, ground.terms, ground);
      // Without a rate the last counted price stays: it is old, not wrong.
      if (!counted.ok || counted.costCents === costCents || counted.costCents <= 0) return [];
      const price = { offerId, costCents: counted.costCents, cameFrom: why, printedCents, coupon, units };
      return [{ ...price, steps: counted.steps }];
    });
    await insertPrices(db, fresh);
    changed += fresh.length;
  }
  if (which === 'all') await setCountedGround(db, sellerId, groundMark(ground));
  return changed;
}

/**
 * Counts printed prices once a day: coupons and promotions end and rates begin with a day. Of a seller for which nothing
 * of that has happened only prices with a coupon are looked at. What lists left lying is tidied.
 */
export async function countForToday(): Promise<void> {
  const { day, counted } = await dayOfShop(pool());
  if (counted) return;
  await transaction(async (db) => {
    if (!(await setCountedOn(db, day))) return;
    for (const { id, countedGround } of await listCountedGrounds(db)) {
      const ground = await groundOf(db, id);
      const which = sameMark(countedGround, groundMark(ground)) ? 'with-coupon' : 'all';
      await recount(db, id, ground, `counted for ${day}`, which);
    }
    await recountShelf(db);
    await clearRows(db);
    await deleteStrandedLists(db);
  });
}

export const sellerSchema = z
  .strictObject({
    name: z.string().trim().min(1, 'Enter the seller’s name.').max(80, 'A name has at most 80 characters.').optional(),
    /** the maker whose own parts it sells; null: none */
    partsOf: z
      .string()
      .trim()
      .max(80, 'A maker has at most 80 characters.')
      .nullable()
      .default(null)
      .transform((text) => text || null),
    leadDays: z.number().int().min(0, 'Days are 0 or more.').max(120, 'At most 120 days.'),
    terms: sellerTermsSchema.nullable(),
    trust: z.enum(['own-stock', 'marketplace']),
    returns: z.string().trim().max(200, 'At most 200 characters, please.'),
    orderContact: z.string().trim().max(200, 'At most 200 characters, please.'),
    /** where orders are mailed to; empty: nowhere */
    orderMail: z
      .union([z.literal(''), z.email('Enter one e-mail address for orders, or leave blank.').max(200)])
      .default(''),
    /** minor units of its currency */
    leastOrderCents: z
      .number()
      .int()
      .positive('A least order is more than 0.')
      .max(100_000_000)
      .nullable()
      .default(null),
    /** hundredths of a star */
    rating: z.number().int().min(100, 'Stars are 1 to 5.').max(500, 'Stars are 1 to 5.').nullable().default(null),
    ratingCount: z.number().int().positive().max(10_000_000).nullable().default(null),
  })
  .refine(({ rating, ratingCount }) => (rating === null) === (ratingCount === null), {
    message: 'A rating is stars and how many gave them.',
  });

const nameTaken = (name: string): string =>
  `There is a seller called ${name} already: edit that one, or merge the two.`;

/** Makes a seller, with the terms that are typed or those that are usual: its prices are what the shop pays. */
export async function addSeller(
  caller: Caller<'offers.price'>,
  seller: z.infer<typeof sellerSchema>,
): Promise<Result<{ id: number }>> {
  const { name, leadDays } = seller;
  if (name === undefined) return fault('bad-input', 'Enter the seller’s name.');
  return transaction(async (db) => {
    await lockSellers(db);
    const same = await findSeller(db, name);
    if (same !== null) return fault('conflict', nameTaken(same.name));
    const id = await insertSeller(db, { name, leadDays });
    await updateSeller(db, id, seller);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'seller-added', detail: { id, seller } });
    return done({ id });
  });
}

export const mergeSellersSchema = z.strictObject({ into: idSchema });

/**
 * Makes one seller of two: the first's offers, lists and orders become the second's. Where both have an offer of one number the
 * second's stays and the first's leaves the market. Papers that are out keep what they say.
 */
export async function mergeSellers(
  caller: Caller<'offers.price'>,
  id: number,
  { into }: z.infer<typeof mergeSellersSchema>,
): Promise<Result<{ offers: number; doubles: number }>> {
  if (id === into) return fault('bad-input', 'Choose another seller to merge with.');
  return transaction(async (db) => {
    await lockSellers(db);
    const from = await getSeller(db, id);
    const to = await getSeller(db, into);
    if (from === null || to === null) return fault('not-found', 'One of the two sellers is not there any more.');
    if ((from.terms?.currency ?? null) !== (to.terms?.currency ?? null))
      return fault(
        'conflict',
        `${from.name} and ${to.name} print different currencies: make their terms the same first.`,
      );
    const merged = await moveSeller(db, id, into);
    await recount(db, into, await groundOf(db, into), `merged with ${from.name}`);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'sellers-merged', detail: { from, into, ...merged } });
    return done(merged);
  });
}

export const retireSchema = z.strictObject({ retired: z.boolean() });

/** Buys nothing of a seller any more, or does again: its offers leave the market with it and come back with it. */
export async function retireSeller(
  caller: Caller<'offers.price'>,
  id: number,
  { retired }: z.infer<typeof retireSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const seller = await getSeller(db, id);
    if (seller === null) return fault('not-found', 'There is no such seller.');
    if (seller.retired === retired) return done(null);
    await setRetired(db, id, retired);
    const kind = retired ? 'seller-retired' : 'seller-back';
    await noteEvent(db, { jobId: null, staffId: caller.id, kind, detail: { id, name: seller.name } });
    return done(null);
  });
}

/** Writes a seller's terms; what it printed is counted by them from now on. */
export async function saveSeller(
  caller: Caller<'offers.price'>,
  id: number,
  seller: z.infer<typeof sellerSchema>,
): Promise<Result<{ changed: number }>> {
  return transaction(async (db) => {
    const before = await getSeller(db, id);
    if (before === null) return fault('not-found', 'There is no such seller.');
    const { name = before.name } = seller;
    const same = await findSeller(db, name);
    if (same !== null && same.id !== id) return fault('conflict', nameTaken(same.name));
    await updateSeller(db, id, seller);
    await renameSeller(db, id, name);
    const changed = await recount(db, id, await groundOf(db, id), `terms of ${before.name}`);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'seller-changed', detail: { id, seller, changed } });
    return done({ changed });
  });
}

export const exchangeRateSchema = z.strictObject({
  from: z.string().regex(/^[A-Z]{3}$/, 'A currency has three letters, such as EUR.'),
  micro: z.number().int().positive('A rate is more than 0.').max(1_000_000_000_000),
  on: daySchema,
});

/** Notes a dated rate into the shop's currency; what is printed in the other is counted by it. */
export async function noteRate(
  caller: Caller<'offers.price'>,
  rate: z.infer<typeof exchangeRateSchema>,
): Promise<Result<{ changed: number }>> {
  return transaction(async (db) => {
    const { currency } = await getShop(db);
    if (rate.from === currency) return fault('bad-input', `${currency} is the shop’s own currency.`);
    if (!(await insertRate(db, { ...rate, to: currency }, caller.id))) {
      return fault('conflict', 'There is a rate of that day already; a rate that is noted stays.');
    }
    let changed = 0;
    for (const { id } of await listCountedGrounds(db)) {
      const ground = await groundOf(db, id);
      if (ground.terms.currency === rate.from) changed += await recount(db, id, ground, `rate of ${rate.on}`);
    }
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'rate-noted', detail: { ...rate, changed } });
    return done({ changed });
  });
}
