import { z } from 'zod';
import { LANGUAGES } from '../language';
import { REUSES } from '../planning/model/lane-and-reuse';
import { LANES, ORIGINS } from '../planning/model/lanes';
import { CARES } from '../planning/rules/care';
import { TAX_ROUNDINGS, TAX_WAYS } from '../pricing/bill';
import { shopOnPaperSchema } from '../shop/shop-on-paper';
import { PAPER_TEXTS } from './paper-text';
import { TEXT_KEYS, type TextKey } from './words/shop-texts';

const cents = z.number().int();
const mib = z.number().int().positive();

export const FATES = ['today', 'built-in', 'stays', 'moves', 'new', 'empty'] as const;

const boardPictureSchema = z.array(
  z.strictObject({ slot: z.string(), capacityMiB: mib.nullable(), text: z.string().nullable(), fate: z.enum(FATES) }),
);
export type BoardPicture = z.infer<typeof boardPictureSchema>;

export const lineSchema = z.strictObject({
  kind: z.enum(['part', 'labour', 'credit', 'fee', 'discount']),
  text: z.string(),
  /** who made a part and which it is, as the shop lets customers read it; quotes of before have none */
  about: z.string().optional(),
  origin: z.enum(ORIGINS).nullable(),
  quantity: z.number().int().positive(),
  eachCents: cents,
  totalCents: cents,
  /** hundredths of a percent; null: it falls on several rates; quotes of before have none */
  taxBp: z.number().int().nonnegative().nullable().optional(),
});
export type QuoteLine = z.infer<typeof lineSchema>;

/** What stays and what is bought, and where it goes. */
const chosenShape = {
  kept: z.array(z.string()),
  bought: z.array(
    z.strictObject({ offer: z.string(), count: z.number().int().positive(), costCents: cents, seller: z.string() }),
  ),
  placement: z.record(
    z.string(),
    z.union([z.strictObject({ kept: z.string() }), z.strictObject({ offer: z.string() })]),
  ),
  reasons: z.array(z.string()),
};

/** What only the shop may see of an option. */
const shopSideSchema = z.strictObject({
  ...chosenShape,
  /** of machines that differ, for each group of equals: the job that it is kept as, and its plan */
  groups: z.array(z.strictObject({ job: z.number().int().positive(), ...chosenShape })).optional(),
  /** texts of the shop that the option speaks with, by their keys */
  texts: z.array(z.enum(TEXT_KEYS as [TextKey, ...TextKey[]])).optional(),
  /** for each line by what name it is typed over, and what was computed for it */
  computed: z.array(z.strictObject({ key: z.string(), text: z.string(), eachCents: cents })).optional(),
  costCents: cents,
  marginCents: cents,
});

/** What becomes of a machine. */
const figuresShape = {
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
  /**
   * What the machine's maker asks for the same total, over which, and what is saved against it; told for this machine, or what
   * it asks when the machine is bought new. Of machines that differ each group has its own. Absent: nothing is claimed.
   */
  maker: z
    .strictObject({
      asksCents: cents,
      overMiB: z.number().int().nonnegative(),
      savingCents: cents,
      isTyped: z.literal(true).optional(),
    })
    .optional(),
};

const groupSchema = z.strictObject({ name: z.string(), machines: z.number().int().positive(), ...figuresShape });
export type OptionGroup = z.infer<typeof groupSchema>;

const optionSchema = z.strictObject({
  place: z.number().int().min(1).max(3),
  ...figuresShape,
  /** so many equal machines: lines and totals are of all, the rest is of each; absent: one */
  machines: z.number().int().min(2).optional(),
  /** of machines that differ: each group of equals; absent: all are alike */
  groups: z.array(groupSchema).optional(),
  warnings: z.array(z.string()),
  /** those of the warnings that the customer has to agree to; quotes of before have none */
  statements: z.array(z.string()).optional(),
  leadDays: z.number().int().nonnegative(),
  lines: z.array(lineSchema),
  /** what the customer pays, with tax */
  totalCents: cents,
  taxCents: cents,
  /** tax by rate, the highest first; each net and tax; quotes of before have one rate */
  taxes: z
    .array(z.strictObject({ taxBp: z.number().int().nonnegative(), netCents: cents, taxCents: cents }))
    .optional(),
  /** parts to take home: nothing is fitted here; absent: it is */
  partsOnly: z.literal(true).optional(),
  /** due when it is accepted; absent: nothing */
  depositCents: cents.optional(),
  /** if it does not work the old modules go back in and this is paid: as the shop's prices are, with tax, its tax; absent: not agreed */
  ifNot: z
    .strictObject({ eachCents: cents, totalCents: cents, taxCents: cents, taxBp: z.number().int().nonnegative() })
    .optional(),
  savingCents: cents.nullable(),
  savingPercent: z.number().int().nullable(),
  shop: shopSideSchema,
});
export type QuoteOption = z.infer<typeof optionSchema>;

const told = z.string().min(1).optional();
/** The customer as a paper says it; what nobody told is left out, and papers of before have the name alone. */
export const customerOnPaperSchema = z.strictObject({
  name: z.string(),
  street: told,
  postalCode: told,
  town: told,
  country: told,
  taxNumber: told,
});

const months = z.number().int().nonnegative();

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);

/**
 * A sent quote with everything needed to print it again: `"fenbrik": "quote/1"`. Money in minor units of
 * `currency`; what was added to the format later may be absent. Days are calendar days in the shop's place.
 */
export const snapshotSchema = z.strictObject({
  fenbrik: z.literal('quote/1'),
  number: z.string(),
  sentOn: day,
  validUntil: day,
  currency: z.string(),
  /** what it is written in; quotes of before are in English */
  language: z.enum(LANGUAGES).optional(),
  /** do its lines hold the tax, or is it added; those of before hold it */
  taxWay: z.enum(TAX_WAYS).optional(),
  /** is tax rounded by line, or once for each rate; those of before: once */
  taxRounding: z.enum(TAX_ROUNDINGS).optional(),
  /** why no tax is charged */
  exempt: z.string().optional(),
  /** it changes an order: what of which quote was accepted, and when */
  changes: z.strictObject({ number: z.string(), place: z.number().int().min(1).max(3), on: day }).optional(),
  /** a word to the customer */
  note: z.string().optional(),
  taxBp: z.number().int().nonnegative(),
  /** guarantee on parts and on work, months; absent: none is told */
  guarantee: z.strictObject({ partsMonths: months, workMonths: months }).optional(),
  /** options say what a GB costs */
  perGb: z.literal(true).optional(),
  /** the shop's texts that it stands under, each in the version of its day */
  texts: z
    .array(z.strictObject({ kind: z.enum(PAPER_TEXTS), version: z.number().int().positive(), words: z.string() }))
    .optional(),
  shop: shopOnPaperSchema,
  customer: customerOnPaperSchema,
  machine: z.strictObject({ name: z.string(), totalMiB: z.number().int().nonnegative() }),
  suggested: z.number().int().min(1).max(3).nullable(),
  options: z.array(optionSchema).min(1).max(3),
});
export type QuoteSnapshot = z.infer<typeof snapshotSchema>;
