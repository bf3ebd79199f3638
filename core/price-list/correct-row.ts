import { z } from 'zod';
import { generationSchema } from '../memory/module';
import { ORIGINS } from '../planning/model/lanes';
import { type ListedRow, MOST_MODULES, type RowDoubt } from './read-row';

const whole = z.number().int().positive();

/** What a person says of a row that its list does not tell, or tells wrong. */
export const rowFixSchema = z
  .strictObject({
    capacityMiB: whole.max(67_108_864),
    generation: generationSchema,
    form: z.enum(['DIMM', 'SO-DIMM']),
    rateMTs: whole.max(20_000),
    modules: whole.max(MOST_MODULES),
    printedCents: whole.max(10_000_000),
    origin: z.enum(ORIGINS),
  })
  .partial();
export type RowFix = z.infer<typeof rowFixSchema>;

/** Which doubts a fix settles. */
const SETTLES: Record<keyof RowFix, readonly RowDoubt[]> = {
  capacityMiB: ['no-capacity', 'no-text', 'kit-capacity'],
  generation: ['no-generation', 'contradiction'],
  form: ['no-form', 'contradiction'],
  rateMTs: ['no-rate', 'contradiction'],
  modules: ['pack-size'],
  printedCents: ['no-price', 'date-price', 'price-not-positive', 'on-request'],
  origin: ['unknown-origin'],
};

const FIELDS = Object.keys(SETTLES) as (keyof RowFix)[];

/** What a doubtful row must be told to count, in the order in which it is asked; empty: no telling fixes it. */
export function fixesFor({ doubts }: Pick<ListedRow, 'doubts'>): (keyof RowFix)[] {
  return FIELDS.filter((field) => SETTLES[field].some((doubt) => doubt !== 'no-text' && doubts.includes(doubt)));
}

/** A row as it is with what a person said of it. */
export function correctRow(row: ListedRow, fix: RowFix | undefined): ListedRow {
  if (fix === undefined) return row;
  const told = FIELDS.filter((field) => fix[field] !== undefined);
  const settled = new Set(told.flatMap((field) => SETTLES[field]));
  const { capacityMiB, generation, form, rateMTs } = { ...row.module, ...fix };
  return {
    ...row,
    modules: fix.modules ?? row.modules,
    printedCents: fix.printedCents ?? row.printedCents,
    origin: fix.origin ?? row.origin,
    used: fix.origin === undefined ? row.used : fix.origin === 'used',
    module: { ...row.module, capacityMiB, generation, form, rateMTs },
    doubts: row.doubts.filter((doubt) => !settled.has(doubt)),
  };
}
