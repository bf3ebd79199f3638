import { z } from 'zod';
import { CARES } from '../planning/care';
import { REUSES } from '../planning/lane-and-reuse';
import { LANES, ORIGINS } from '../planning/lanes';

const cents = z.number().int();
const mib = z.number().int().positive();

export const FATES = ['today', 'built-in', 'stays', 'moves', 'new', 'empty'] as const;

const boardPictureSchema = z.array(
  z.strictObject({ slot: z.string(), capacityMiB: mib.nullable(), text: z.string().nullable(), fate: z.enum(FATES) }),
);
export type BoardPicture = z.infer<typeof boardPictureSchema>;

const lineSchema = z.strictObject({
  kind: z.enum(['part', 'labour', 'credit']),
  text: z.string(),
  origin: z.enum(ORIGINS).nullable(),
  quantity: z.number().int().positive(),
  eachCents: cents,
  totalCents: cents,
});
export type QuoteLine = z.infer<typeof lineSchema>;

/** What only the shop may see of an option. */
const shopSideSchema = z.strictObject({
  kept: z.array(z.string()),
  bought: z.array(
    z.strictObject({ offer: z.string(), count: z.number().int().positive(), costCents: cents, seller: z.string() }),
  ),
  placement: z.record(
    z.string(),
    z.union([z.strictObject({ kept: z.string() }), z.strictObject({ offer: z.string() })]),
  ),
  reasons: z.array(z.string()),
  costCents: cents,
  marginCents: cents,
});

const optionSchema = z.strictObject({
  place: z.number().int().min(1).max(3),
  lane: z.enum(LANES),
  reuse: z.enum(REUSES),
  care: z.enum(CARES),
  totalMiB: mib,
  addedMiB: z.number().int().nonnegative(),
  rateMTs: z.number().int().positive(),
  channelsText: z.string(),
  openSlots: z.number().int().nonnegative(),
  before: boardPictureSchema,
  after: boardPictureSchema,
  oldModules: z.string(),
  warnings: z.array(z.string()),
  /** those of the warnings that the customer has to agree to; quotes of before have none */
  statements: z.array(z.string()).optional(),
  leadDays: z.number().int().nonnegative(),
  lines: z.array(lineSchema),
  totalCents: cents,
  taxCents: cents,
  savingCents: cents.nullable(),
  savingPercent: z.number().int().nullable(),
  shop: shopSideSchema,
});
export type QuoteOption = z.infer<typeof optionSchema>;

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);

/**
 * A sent quote with everything needed to print it again: `"fenbrik": "quote/1"`. Money in minor units of
 * `currency`, with tax; days are calendar days in the shop's place.
 */
export const snapshotSchema = z.strictObject({
  fenbrik: z.literal('quote/1'),
  number: z.string(),
  sentOn: day,
  validUntil: day,
  currency: z.string(),
  taxBp: z.number().int().nonnegative(),
  shop: z.strictObject({ name: z.string(), town: z.string(), contact: z.string() }),
  customer: z.strictObject({ name: z.string() }),
  machine: z.strictObject({ name: z.string(), totalMiB: z.number().int().nonnegative() }),
  suggested: z.number().int().min(1).max(3).nullable(),
  options: z.array(optionSchema).min(1).max(3),
});
export type QuoteSnapshot = z.infer<typeof snapshotSchema>;
