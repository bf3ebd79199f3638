import { z } from 'zod';
import { countedPrice } from '../../../core/pricing/counted-price';
import { couponSchema } from '../../../core/pricing/seller-terms';
import { transaction } from '../../../store/database';
import { noteEvent } from '../../../store/events';
import { insertPrice, lockOffer, type PrintedOfferPrice } from '../../../store/market/offers';
import type { Queryable } from '../../../store/queryable';
import { groundOf } from '../../market/counting-ground';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';

const amount = z
  .number()
  .int('A price is a whole number of cents.')
  .positive('A price must be more than 0.')
  .max(10_000_000, 'That price is too high to be right.');

/** A new price: what the shop pays, or what the seller printed, with a coupon and how many units share the shipping. */
export const priceSchema = z
  .strictObject({
    costCents: amount.optional(),
    printedCents: amount.optional(),
    coupon: couponSchema.nullable().default(null),
    units: z.number().int().min(1, 'At least one unit is ordered.').max(100, 'At most 100 units.').default(1),
  })
  .refine(({ costCents, printedCents }) => (costCents === undefined) !== (printedCents === undefined), {
    message: 'A price is either what we pay or what the seller printed.',
  });
export type TypedPrice = z.input<typeof priceSchema>;

/** A typed price as it is stored: its cost, and where the seller printed it, every step to that. */
export async function priceToStore(
  db: Queryable,
  offer: { modules: number; sellerId: number | null },
  typed: TypedPrice,
): Promise<Result<{ costCents: number; printed: PrintedOfferPrice | null }>> {
  const { costCents, printedCents, coupon, units } = priceSchema.parse(typed);
  if (costCents !== undefined) return done({ costCents, printed: null });
  if (printedCents === undefined) return fault('bad-input', 'A price is missing.');
  if (offer.sellerId === null)
    return fault('bad-input', 'Stock has no printed prices: enter what a piece is worth to you.');
  const ground = await groundOf(db, offer.sellerId);
  const counted = countedPrice({ cents: printedCents, coupon, units, modules: offer.modules }, ground.terms, ground);
  if (!counted.ok) return fault('bad-input', counted.sentence);
  if (counted.costCents <= 0) return fault('bad-input', 'After the coupon nothing is left to pay: look at it again.');
  return done({ costCents: counted.costCents, printed: { printedCents, coupon, units, steps: counted.steps } });
}

/** Notes a new price of an offer; earlier ones stay in its history, and sent quotes keep theirs. */
export async function changePrice(
  caller: Caller<'offers.price'>,
  offerId: number,
  typed: TypedPrice,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const offer = await lockOffer(db, offerId);
    if (offer === null) return fault('not-found', 'This offer is no longer on the market.');
    const price = await priceToStore(db, offer, typed);
    if (!price.ok) return price;
    const { costCents, printed } = price.value;
    if (printed === null && offer.costCents === costCents) return done(null);
    await insertPrice(db, offerId, costCents, `typed by ${caller.name}`, null, printed);
    await noteEvent(db, {
      jobId: null,
      staffId: caller.id,
      kind: 'price-changed',
      detail: { offerId, from: offer.costCents, to: costCents },
    });
    return done(null);
  });
}
