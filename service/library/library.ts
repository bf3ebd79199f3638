import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import type { Trial } from '../../core/machine/limits/evidence';
import { firstIssue } from '../../core/machine/models/library-rows';
import { mergeModels } from '../../core/machine/models/merge-models';
import { boardFault, type FullModel, type ModelInput, modelSchema } from '../../core/machine/models/model';
import { withoutPhotos } from '../../core/machine/models/opening';
import { libraryCsv, libraryJson } from '../../outward/readings/library-file';
import { readLibraryApart } from '../../outward/readings/read-apart';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { listClaims, type StoredClaim } from '../../store/job/claims';
import { setModel } from '../../store/job/jobs';
import { findModels } from '../../store/library/find-models';
import { countModels, listModels, type ModelSummary, summariesOf } from '../../store/library/models';
import { marks, otherShop, ownShopKey, tagAdded } from '../../store/library/other-shops';
import { listPhotos, type Photo } from '../../store/library/photos';
import {
  findSameModel,
  type LikelyTwins,
  listLikelyTwins,
  lockLibrary,
  repointModel,
} from '../../store/library/same-models';
import { listTestedParts } from '../../store/library/tested-parts';
import { listTrials } from '../../store/library/trials';
import { insertModel, listModelIds, readModel, readModels, replaceModel } from '../../store/library/whole-models';
import type { Queryable } from '../../store/queryable';
import { usualMinutes } from '../job/bench/job-work';
import { changeJob } from '../job/change-job';
import type { JobWith } from '../job/slices/slice';
import { bindWaiting } from '../market/bind-models';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

/** More models than this are not listed at once: they are found. */
const MOST_LISTED = 300;

/** The library in the order of names, or what a line finds in it, likeliest first; and how many there are in all. */
export async function modelLibrary(
  _: Caller<'library.read'>,
  find = '',
): Promise<{ models: ModelSummary[]; count: number }> {
  const db = pool();
  const count = await countModels(db);
  if (find.trim() === '') return { models: await listModels(db, MOST_LISTED), count };
  const found = await findModels(db, find, 40);
  return {
    models: await summariesOf(
      db,
      found.map(({ id }) => id),
    ),
    count,
  };
}

/** A model with everything that stands on it, as its page shows it. */
export interface ModelPage {
  id: number;
  model: FullModel;
  claims: StoredClaim[];
  /** its own trials and its sisters' */
  trials: Trial[];
  tested: { list: string; parts: string[] }[];
  photos: Photo[];
  /** how long whole times on the bench took, minutes, the latest first */
  took: number[];
}

export async function showModel(_: Caller<'library.read'>, id: number): Promise<ModelPage | null> {
  const db = pool();
  const model = await readModel(db, id);
  if (model === null) return null;
  const tested = await listTestedParts(db, id);
  const lists = [...new Set(tested.map(({ list }) => list))];
  return {
    id,
    model,
    claims: await listClaims(db, id),
    trials: await listTrials(db, id),
    photos: await listPhotos(db, id),
    took: await usualMinutes(db, id),
    tested: lists.map((list) => ({
      list,
      parts: tested.filter((one) => one.list === list).map(({ part }) => part),
    })),
  };
}

/** Writes the fields of a model that its page edits; slots, claims and trials stay as they are. */
export const modelFieldsSchema = z.strictObject({
  maker: z.string(),
  family: z.string(),
  name: z.string(),
  kind: z.enum(['machine', 'board']),
  yearFrom: z.number(),
  yearTo: z.number().nullable(),
  note: z.string(),
  modelIds: z.array(z.string()),
  boardIds: z.array(z.string()),
  productStrings: z.array(z.string()),
  serialPrefixes: z.array(z.string()),
  firmware: z.array(z.string()),
  cpus: z.array(z.unknown()),
  opening: z.array(z.unknown()),
  slots: z.array(z.unknown()),
  factoryOptions: z.array(z.unknown()),
  factoryMaxMiB: z.number().nullable(),
});

export async function saveModel(
  caller: Caller<'library.write'>,
  id: number,
  fields: Partial<z.infer<typeof modelFieldsSchema>>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    await lockLibrary(db);
    const before = await readModel(db, id);
    if (before === null) return fault('not-found', 'This model is no longer in the library.');
    const parsed = modelSchema.safeParse({ ...before, ...fields });
    if (!parsed.success) return fault('bad-input', `${firstIssue(parsed.error)}`);
    const same = await findSameModel(db, parsed.data);
    if (same !== null && same !== id) {
      return fault('conflict', 'The library has a model of this name and year already: merge the two instead.');
    }
    await replaceModel(db, id, parsed.data, caller.id);
    await bindWaiting(db, [id]);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'model-changed', detail: { modelId: id } });
    return done(null);
  });
}

/** What became of a file of models. */
export interface Imported {
  added: number;
  /** models that were there and learned something */
  merged: number;
  /** models that were there just so */
  same: number;
  /** entries that were not taken, each with its line or number and why */
  refused: { at: number; sentence: string }[];
  /** what was left as the library has it although the file says otherwise */
  left: { at: number; sentence: string }[];
  counts: 'line' | 'entry';
  /** what became of each model that was new or learned something, by name */
  named: { name: string; fate: 'added' | 'merged' }[];
}

type Taken =
  | { ok: true; fate: 'added' | 'merged' | 'same'; left: string[]; id: number }
  | { ok: false; sentence: string };

/** Adds a model, or teaches the one of its name; one that would outgrow what a model may hold is left as it is. */
async function takeModel(db: Queryable, caller: Caller, model: FullModel): Promise<Taken> {
  const same = await findSameModel(db, model);
  const known = same === null ? null : await readModel(db, same);
  if (same === null || known === null) {
    const id = await insertModel(db, model, caller.id);
    return { ok: true, fate: 'added', left: [], id };
  }
  const merged = mergeModels(known, model);
  if (JSON.stringify(merged.model) === JSON.stringify(known))
    return { ok: true, fate: 'same', left: merged.left, id: same };
  const whole = modelSchema.safeParse(merged.model);
  if (!whole.success) return { ok: false, sentence: `merged with what is there: ${firstIssue(whole.error)}` };
  await replaceModel(db, same, whole.data, caller.id);
  return { ok: true, fate: 'merged', left: merged.left, id: same };
}

/** Thrown to undo what was only looked at. */
class OnlyLooked extends Error {}

/**
 * Takes a file of models into the library: good entries in, bad ones named, each entry whole or not at all; where the
 * database fails in between, nothing.
 *
 * @param isLook it is only told what would become of it
 */
export async function importModels(
  caller: Caller<'library.write'>,
  input: Uint8Array,
  isLook = false,
): Promise<Result<Imported>> {
  const file = await readLibraryApart(input);
  if (!file.ok) return fault('bad-input', file.sentence);
  const names = new Set<string>();
  const imported: Imported = { added: 0, merged: 0, same: 0, refused: [], left: [], counts: file.counts, named: [] };
  for (const entry of file.entries) {
    if (!entry.ok) imported.refused.push({ at: entry.at, sentence: entry.sentence });
  }
  const learned: number[] = [];
  await transaction(async (db) => {
    await lockLibrary(db);
    const own = await ownShopKey(db);
    const shopId = file.shop === null || file.shop.key === own.key ? null : await otherShop(db, file.shop);
    for (const entry of file.entries) {
      if (!entry.ok) continue;
      const since = await marks(db);
      const taken = await takeModel(db, caller, { ...entry.model, opening: withoutPhotos(entry.model.opening) });
      if (!taken.ok) {
        imported.refused.push({ at: entry.at, sentence: taken.sentence });
        continue;
      }
      const { fate, left } = taken;
      if (shopId !== null) await tagAdded(db, { shopId, modelId: taken.id, isNew: fate === 'added', since });
      if (fate !== 'same') learned.push(taken.id);
      const name = `${entry.model.maker} ${entry.model.name} ${entry.model.yearFrom}`.toLowerCase();
      // Several rows of one model are one model.
      if (!names.has(name)) {
        imported[fate]++;
        if (fate !== 'same') imported.named.push({ name: `${entry.model.maker} ${entry.model.name}`, fate });
      }
      names.add(name);
      imported.left.push(...left.map((sentence) => ({ at: entry.at, sentence })));
    }
    if (isLook) throw new OnlyLooked();
    await bindWaiting(db, learned);
    const { added, merged } = imported;
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'models-imported', detail: { added, merged } });
  }).catch((cause) => {
    if (!(cause instanceof OnlyLooked)) throw cause;
  });
  imported.refused.sort((a, b) => a.at - b.at);
  return done(imported);
}

/** Models read at once for a file. */
const READ_AT_ONCE = 500;

/** The library as a file. */
export async function exportModels(_: Caller<'library.read'>, form: 'json' | 'csv'): Promise<string> {
  const db = pool();
  const ids = await listModelIds(db);
  const models: FullModel[] = [];
  for (let from = 0; from < ids.length; from += READ_AT_ONCE) {
    models.push(...(await readModels(db, ids.slice(from, from + READ_AT_ONCE), false)));
  }
  return form === 'json' ? libraryJson(models, await ownShopKey(db)) : libraryCsv(models);
}

export async function likelyTwins(_: Caller<'library.read'>): Promise<LikelyTwins[]> {
  return listLikelyTwins(pool());
}

export const mergeSchema = z.strictObject({ keep: idSchema, drop: idSchema });

/** Makes one model of two: the first keeps its names, the second's jobs, offers and trials become its own. */
export async function mergeTwins(
  caller: Caller<'library.write'>,
  { keep, drop }: z.infer<typeof mergeSchema>,
): Promise<Result<{ left: string[] }>> {
  return transaction(async (db) => {
    await lockLibrary(db);
    const first = await readModel(db, keep);
    const second = await readModel(db, drop);
    if (first === null || second === null || keep === drop) {
      return fault('not-found', 'One of the two is no longer in the library.');
    }
    const { model, left } = mergeModels(first, second);
    const whole = modelSchema.safeParse(model);
    if (!whole.success) return fault('conflict', `Together they would be too much: ${firstIssue(whole.error)}`);
    await repointModel(db, drop, keep);
    await replaceModel(db, keep, whole.data, caller.id);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'models-merged', detail: { keep, drop, second } });
    return done({ left });
  });
}

export const keepAsModelSchema = z.strictObject({
  maker: z.string().trim().min(1, 'Enter its maker.').max(80),
  name: z.string().trim().min(1, 'Enter its name.').max(120),
  yearFrom: z.number().int().min(1980, 'Enter the year it came out.').max(2100),
});

/** What a job's readings and slots say of its machine, as a model. */
function modelOfJob(
  { job, joined, slots }: JobWith<'readings' | 'machine'>,
  named: z.infer<typeof keepAsModelSchema>,
): ModelInput {
  const word = (field: 'model' | 'boardModel' | 'firmware' | 'cpu'): string[] => {
    const value = joined.machineObservations[field]?.[0]?.value;
    return typeof value === 'string' && value.trim() !== '' ? [value.trim().slice(0, 80)] : [];
  };
  const cpu = job.cpu === '' ? word('cpu') : [job.cpu];
  return {
    ...named,
    productStrings: word('model'),
    boardIds: word('boardModel'),
    firmware: word('firmware'),
    cpus: cpu.map((name) => ({ name })),
    slots: slots.map(({ name, channel, bank, maxMiB, lidName, soldered, module }) => ({
      name,
      channel,
      bank,
      maxMiB,
      lidName: lidName ?? null,
      // A kind of machine has no serials.
      soldered: soldered && module !== null ? { ...module, serial: null } : null,
    })),
  };
}

/** Keeps a job's machine as a model of the library, with its slots and what was decided about it. */
export async function keepAsModel(
  caller: Caller<'library.write'>,
  jobId: number,
  named: z.infer<typeof keepAsModelSchema>,
): Promise<Result<{ modelId: number }>> {
  return changeJob(caller, jobId, {
    kind: 'model-kept',
    detail: named,
    needs: ['readings', 'machine', 'limits'],
    work: async (db, state) => {
      if (state.slots.length === 0) return fault('conflict', 'Its slots are not known yet.');
      const wrong = boardFault(state.slots);
      if (wrong !== null) return fault('conflict', wrong);
      const decided = state.claims.filter(({ source }) => source.kind === 'technician');
      const told = (['generations', 'form', 'kinds', 'voltagesMv'] as const).flatMap((limit) => {
        const holding = state.limits[limit];
        const counts = holding !== null && !['standard', 'technician'].includes(holding.source.kind);
        return counts ? [{ limit, value: holding.value as unknown }] : [];
      });
      const source = { kind: 'technician', name: caller.name, note: `from job ${jobId}` } as const;
      const parsed = modelSchema.safeParse({
        ...modelOfJob(state, named),
        claims: [...decided, ...told].map(({ limit, value }) => ({ limit, value, source })),
      });
      if (!parsed.success) return fault('bad-input', firstIssue(parsed.error));
      await lockLibrary(db);
      if ((await findSameModel(db, parsed.data)) !== null) {
        return fault('conflict', 'The library has a model of this name and year already.');
      }
      const modelId = await insertModel(db, parsed.data, caller.id);
      await setModel(db, jobId, modelId);
      await bindWaiting(db, [modelId]);
      return done({ modelId });
    },
  });
}
