import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { makerKey } from '../../core/maker-key';
import { ORIGINS } from '../../core/planning/model/lanes';
import { pool, transaction } from '../../store/database';
import { getEvent, insertEvent } from '../../store/events';
import { summariesOf } from '../../store/library/models';
import {
  bindSaid,
  forgetSaid,
  type LooseOriginal,
  listLooseOriginals,
  listWaiting,
  lockOrigins,
  restoreOrigins,
  setOrigins,
  type WaitingOriginal,
} from '../../store/market/originals';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { foundOfferIds } from './market';

/** What of the originals has to be settled: machines that the library does not know, and parts that are for none. */
export interface OriginalsToSettle {
  waiting: WaitingOriginal[];
  loose: LooseOriginal[];
}

const SHOWN = 30;

export async function originalsToSettle(_: Caller<'offers.read'>): Promise<OriginalsToSettle> {
  return { waiting: await listWaiting(pool(), SHOWN), loose: await listLooseOriginals(pool(), SHOWN) };
}

export const settleSchema = z.strictObject({
  maker: z.string().max(80),
  said: z.string().min(1).max(80),
  /** the model that is meant; null: none, and it is not asked again */
  modelId: idSchema.nullable(),
});

/** Says which model a stated one is, for every original that has it. */
export async function settleOriginal(
  caller: Caller<'offers.price'>,
  { maker, said, modelId }: z.infer<typeof settleSchema>,
): Promise<Result<{ offers: number }>> {
  return transaction(async (db) => {
    if (modelId !== null && (await summariesOf(db, [modelId])).length === 0)
      return fault('not-found', 'This model is no longer in the library.');
    const offers =
      modelId === null ? await forgetSaid(db, { maker, said }) : await bindSaid(db, { maker, said, modelId });
    const detail = { maker, said, modelId, offers };
    await insertEvent(db, { jobId: null, staffId: caller.id, kind: 'original-settled', detail });
    return done({ offers });
  });
}

/** Offers whose origin is changed at once, at most. */
const MOST_OFFERS = 5_000;

export const manyOriginsSchema = z.strictObject({
  /** what was looked for, as on the screen */
  text: z.string().max(400),
  jobId: idSchema.nullable(),
  familyId: idSchema.nullable(),
  /** how many offers that was */
  seen: z.number().int().min(1).max(10_000_000),
  origin: z.enum(ORIGINS),
  originalOf: z.string().trim().max(80).default(''),
  everyModel: z.boolean().default(false),
  modelIds: z.array(idSchema).max(500).default([]),
});

/** Says of all offers that are found where they come from; one press undoes it. */
export async function changeOrigins(
  caller: Caller<'offers.price'>,
  { text, jobId, familyId, seen, ...typed }: z.infer<typeof manyOriginsSchema>,
): Promise<Result<{ changed: number; event: number }>> {
  const isOriginal = typed.origin === 'original';
  if (isOriginal && makerKey(typed.originalOf) === '')
    return fault('bad-input', 'Enter whose originals they are: the maker of the machines.');
  if (isOriginal && !typed.everyModel && typed.modelIds.length === 0)
    return fault('bad-input', 'Choose the models that they are for, or all models of the maker.');
  if (seen > MOST_OFFERS)
    return fault('bad-input', `At most ${MOST_OFFERS} offers are changed at once: look for fewer.`);
  const found = await foundOfferIds(caller, { text, jobId, familyId }, MOST_OFFERS + 1);
  if (!found.ok) return found;
  if (found.value.length !== seen)
    return fault('conflict', `${found.value.length} offers are found by now, not ${seen}: look again.`);
  return transaction(async (db) => {
    const before = await lockOrigins(db, found.value);
    await setOrigins(
      db,
      before.map(({ id }) => id),
      { ...typed, originalKey: makerKey(typed.originalOf) },
    );
    const detail = { text, typed, before };
    const event = await insertEvent(db, { jobId: null, staffId: caller.id, kind: 'origins-changed', detail });
    return done({ changed: before.length, event });
  });
}

export const undoOriginsSchema = z.strictObject({ event: z.number().int().positive().max(Number.MAX_SAFE_INTEGER) });

const beforeSchema = z.array(
  z.object({
    id: idSchema,
    origin: z.enum(ORIGINS),
    originalOf: z.string().nullable(),
    originalKey: z.string().nullable(),
    everyModel: z.boolean(),
    modelIds: z.array(idSchema),
    unbound: z.array(z.string()).default([]),
  }),
);

/** Puts back how the origins stood before they were changed at once. */
export async function undoOrigins(
  caller: Caller<'offers.price'>,
  { event }: z.infer<typeof undoOriginsSchema>,
): Promise<Result<{ changed: number }>> {
  return transaction(async (db) => {
    const noted = await getEvent(db, event, 'origins-changed');
    const before = beforeSchema.safeParse((noted as { before?: unknown } | null)?.before);
    if (!before.success) return fault('not-found', 'There is nothing to undo.');
    const changed = await restoreOrigins(db, before.data);
    await insertEvent(db, { jobId: null, staffId: caller.id, kind: 'origins-undone', detail: { event } });
    return done({ changed });
  });
}
