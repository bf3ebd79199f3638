import { z } from 'zod';
import { daySchema } from '../bounds';

const cents = z.number().int().min(0).max(100_000_000);

/**
 * How a seller charges for shipping an order, minor units of the seller's currency: nothing; a flat amount, free above
 * a sum; or by what the order weighs.
 */
export const shippingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('flat'), cents, freeFromCents: cents.nullable() }),
  z.strictObject({
    kind: z.literal('weight'),
    /** the lightest first; what is heavier than all of them costs as the heaviest */
    steps: z
      .array(z.strictObject({ upToGrams: z.number().int().positive().max(100_000), cents }))
      .min(1, 'A shipping rule by weight needs a step.')
      .max(20),
  }),
]);
export type Shipping = z.infer<typeof shippingSchema>;

/** A discount that a seller gives: a share or an amount off each unit, until a day. */
export const couponSchema = z
  .strictObject({
    name: z.string().trim().max(60),
    percentBp: z.number().int().min(1).max(10_000).nullable(),
    cents: z.number().int().min(1).max(10_000_000).nullable(),
    /** last day on which it counts, `YYYY-MM-DD`; null: no end is told */
    endsOn: daySchema.nullable(),
  })
  .refine(({ percentBp, cents: off }) => (percentBp === null) !== (off === null), {
    message: 'A coupon takes off a percentage or an amount.',
  });
export type Coupon = z.infer<typeof couponSchema>;

/** How a seller prices: what a number on its list means to the shop. */
export const sellerTermsSchema = z.strictObject({
  /** ISO 4217 */
  currency: z.string().regex(/^[A-Z]{3}$/, 'A currency has three letters, such as EUR.'),
  /** does its list hold the tax? */
  withTax: z.boolean(),
  /** the tax on it, hundredths of a percent */
  taxBp: z.number().int().min(0).max(10_000),
  /** does the shop get that tax back? Otherwise it is part of the cost */
  taxBack: z.boolean(),
  shipping: shippingSchema,
  /** off everything it sells, until a day; null or left out: none */
  promotion: couponSchema.nullish(),
});
export type SellerTerms = z.infer<typeof sellerTermsSchema>;
