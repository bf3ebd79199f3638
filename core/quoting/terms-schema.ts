import { z } from 'zod';
import { daySchema } from '../bounds';
import { LANGUAGES } from '../language';

const text = (most: number) => z.string().trim().max(most, `At most ${most} letters, please.`);
const cents = z.number().int().min(0, 'An amount is 0 or more.').max(100_000_000, 'This is more than any quote costs.');
const share = z.number().int().min(1, 'A share is more than 0 %.').max(10_000, 'A share is at most 100 %.');

const discountSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('share'),
    bp: share,
    reason: text(120).min(1, 'A discount needs a reason: the customer reads it.'),
  }),
  z.strictObject({
    kind: z.literal('amount'),
    cents: cents.min(1, 'A discount is more than 0.'),
    reason: text(120).min(1, 'A discount needs a reason: the customer reads it.'),
  }),
]);
/** What is taken off parts and work, with its reason. A share in hundredths of a percent, an amount in minor units. */
export type Discount = z.infer<typeof discountSchema>;

const depositSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('share'), bp: share }),
  z.strictObject({ kind: z.literal('amount'), cents: cents.min(1, 'A deposit is more than 0.') }),
]);
/** What is paid when an option is accepted. */
export type Deposit = z.infer<typeof depositSchema>;

/** So many other lines a quote has at most. */
export const MOST_EXTRAS = 12;

const extraSchema = z.strictObject({
  text: text(120).min(1, 'A line needs a text.'),
  quantity: z.number().int().min(1, 'A line is of one at least.').max(999, 'At most 999 of one thing.').default(1),
  /** price of one, in minor units, as the shop's prices are */
  eachCents: cents.min(1, 'A line costs more than 0.'),
  /** hundredths of a percent; null: as the shop's fees are taxed */
  taxBp: z.number().int().min(0).max(10_000, 'A tax rate is at most 100 %.').nullable().default(null),
});
/** A line of a quote that is neither a part nor fitting. */
export type Extra = z.infer<typeof extraSchema>;

/** What holds for all options of a quote beside their lines. Every field may be absent: then nothing is agreed on it. */
export const termsSchema = z.strictObject({
  discount: discountSchema.nullable().default(null),
  /** other lines than parts and fitting: diagnosis, cleaning, data moved, a drive */
  extras: z.array(extraSchema).max(MOST_EXTRAS, `At most ${MOST_EXTRAS} other lines, please.`).default([]),
  deposit: depositSchema.nullable().default(null),
  /** the last day on which its prices hold; null: the shop's usual days */
  validUntil: daySchema.nullable().default(null),
  /** what the customer's papers are written in; null: as the customer or the shop has it */
  language: z.enum(LANGUAGES).nullable().default(null),
  /** a word to the customer */
  note: text(1000).default(''),
});
export type QuoteTerms = z.infer<typeof termsSchema>;

/** What is typed over a line: other words, another price. What was computed stays beside it. */
export const lineEditSchema = z.strictObject({
  text: text(200).min(1, 'A line needs a text.').nullable().default(null),
  /** price of one, in minor units, as the shop's prices are */
  eachCents: z.number().int().min(-100_000_000).max(100_000_000).nullable().default(null),
});
export type LineEdit = z.infer<typeof lineEditSchema>;

/** By the key of the line. */
export const lineEditsSchema = z.record(z.string().max(80), lineEditSchema);
export type LineEdits = z.infer<typeof lineEditsSchema>;
