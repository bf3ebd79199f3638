import { createHash } from 'node:crypto';
import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import type { ColumnRole } from '../../core/price-list/column-roles';
import { COLUMN_ROLES } from '../../core/price-list/column-roles';
import { REVIEW_GROUPS, type ReviewGroup } from '../../core/price-list/compare-list';
import { correctRow, rowFixSchema } from '../../core/price-list/correct-row';
import type { ListColumns, ListedRow } from '../../core/price-list/read-row';
import { rowCost } from '../../core/price-list/row-cost';
import { wholeModule } from '../../core/price-list/whole-module';
import type { CountingGround } from '../../core/pricing/counted-price';
import { type Encoding, EncodingSeer } from '../../core/reading/bytes/decode-text';
import { environment } from '../../runtime/environment';
import { caughtAs } from '../../runtime/log';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import {
  compareRow,
  countGroups,
  listGroup,
  type MendedRow,
  readRowOf,
  type ShownRow,
  setRow,
} from '../../store/market/list-rows';
import { specOf } from '../../store/market/offers';
import {
  deleteList,
  getPriceList,
  insertPart,
  insertPriceList,
  type ListState,
  type ListWorkDone,
  listPriceLists,
  lockPriceList,
  type PriceList,
  setArrived,
  setRowFix,
  workOn,
} from '../../store/market/price-lists';
import { getSeller } from '../../store/market/sellers';
import type { Queryable } from '../../store/queryable';
import { addTask } from '../../store/queue/queue';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { groundOf } from './counting-ground';
import { columnsSchema, PART_BYTES, queueReading, readThrough } from './read-list';

const MOST_BYTES = 512 * 1024 * 1024;
/** So often it is looked whether a task has done its work, milliseconds. */
const LOOK_MS = 40;

/** Waits until a task has done its work, but not long. */
export async function waitALittle(isDone: () => Promise<boolean>): Promise<void> {
  const until = Date.now() + environment().FENBRIK_LIST_PATIENCE;
  while (!(await isDone()) && Date.now() < until) await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
}

/** Up to so many bytes a list is read while its sender waits. */
const SMALL_BYTES = 1024 * 1024;

/** Waits for a small list to be read; what of a larger one goes wrong later stands with it. */
async function waitForSmall(bytes: number, id: number): Promise<void> {
  if (bytes <= SMALL_BYTES) await waitALittle(async () => (await getPriceList(pool(), id))?.state !== 'reading');
}

interface Arrived {
  sha256: Uint8Array;
  bytes: number;
  encoding: Encoding;
}

/** Keeps a file's bytes in parts as they come; null where there are too many. */
async function keepParts(id: number, input: AsyncIterable<Uint8Array>): Promise<Arrived | null> {
  const hash = createHash('sha256');
  const seer = new EncodingSeer();
  let waiting: Uint8Array[] = [];
  let held = 0;
  let nr = 0;
  let bytes = 0;
  const keep = async (): Promise<void> => {
    const part = Buffer.concat(waiting);
    waiting = [];
    held = 0;
    seer.see(part);
    hash.update(part);
    await insertPart(pool(), id, ++nr, part);
  };
  for await (const chunk of input) {
    bytes += chunk.length;
    if (bytes > MOST_BYTES) return null;
    waiting.push(chunk);
    held += chunk.length;
    if (held >= PART_BYTES) await keep();
  }
  if (held > 0) await keep();
  return { sha256: hash.digest(), bytes, encoding: seer.end() };
}

/** Keeps a list's bytes, all of them or nothing; returns how many, null where there are too many. */
async function arrive(id: number, input: AsyncIterable<Uint8Array>, note: object, by: number | null) {
  try {
    const arrived = await keepParts(id, input);
    if (arrived === null) {
      await deleteList(pool(), id);
      return null;
    }
    await transaction(async (db) => {
      await setArrived(db, id, arrived);
      await addTask(db, 'read-list', { id }, { about: id });
      await noteEvent(db, { jobId: null, staffId: by, kind: 'list-taken', detail: note });
    });
    return arrived.bytes;
  } catch (cause) {
    // Anyone who sent it went away half way, or the database did.
    await deleteList(pool(), id).catch(caughtAs('deleting a list that came only in part', undefined, { list: id }));
    throw cause;
  }
}

/**
 * Keeps a price list to be looked at; nothing on the market changes. A large one is read on after this has returned.
 *
 * @param caller who dropped it; null: it lay in the folder
 */
export async function takeList(
  caller: Caller<'offers.price'> | null,
  sellerId: number,
  file: { name: string; input: AsyncIterable<Uint8Array> },
): Promise<Result<{ id: number }>> {
  if ((await getSeller(pool(), sellerId)) === null) return fault('not-found', 'There is no such seller.');
  const by = caller?.id ?? null;
  const id = await insertPriceList(pool(), { sellerId, name: file.name }, by);
  const bytes = await arrive(id, file.input, { id, sellerId }, by);
  if (bytes === null) return fault('bad-input', 'This file is over 512 MiB: a price list is smaller.');
  // Nobody waits for what lay in the folder, so its reading is seen to its end.
  if (caller === null) await readThrough(id);
  else await waitForSmall(bytes, id);
  const list = await getPriceList(pool(), id);
  if (list?.state !== 'failed') return done({ id });
  await deleteList(pool(), id);
  return fault('bad-input', list.sentence ?? 'This could not be read.');
}

/** So many rows of a review group are shown at first. */
const FIRST_ROWS = 40;

/** A list as it is looked at: its columns on some rows, and what it would change. */
export interface ListView {
  list: PriceList;
  currency: string;
  /** the shop's, which what we pay is in */
  shopCurrency: string;
  doubtfulColumns: ColumnRole[];
  /** why each column is taken for what it is, in words; nothing where it is not known */
  whyColumns: Partial<Record<ColumnRole, string>>;
  groups: Record<ReviewGroup, { rows: number; first: ShownRow[] }>;
  work: ListWorkDone | null;
}

/** Were the columns left as they were guessed? */
const sameColumns = (a: ListColumns['columns'], b: ListColumns['columns']): boolean =>
  COLUMN_ROLES.every((role) => a[role] === b[role]);

/** Why each column is taken for what it is: by its heading and cells where it was guessed, else since somebody said so. */
function whyColumns({ guessed, columns }: PriceList): Partial<Record<ColumnRole, string>> {
  return Object.fromEntries(
    COLUMN_ROLES.flatMap((role) => {
      if (columns[role] === undefined) return [];
      const sign = guessed?.columns[role] === columns[role] ? guessed?.signs?.[role] : undefined;
      if (sign === undefined) return guessed === null ? [] : [[role, 'chosen by hand, now or on an earlier list']];
      const heading = { name: 'its heading says so', word: 'a word of its heading says so' };
      const told = sign.heading === null ? '' : `${heading[sign.heading]}, `;
      return [[role, `${told}${sign.fitPercent} % of its cells fit`]];
    }),
  );
}

export async function showList(_: Caller<'offers.price'>, id: number): Promise<ListView | null> {
  // Looked at before the list: work that is over has left its mark on the list by then. The other way round a page could show
  // the list as it was and no work, and would never look again.
  const work = await workOn(pool(), id);
  const list = await getPriceList(pool(), id);
  if (list === null) return null;
  const { terms, currency: shopCurrency } = await groundOf(pool(), list.sellerId);
  const open = list.state === 'looked-at';
  const counts = open ? await countGroups(pool(), id) : null;
  const groups = {} as ListView['groups'];
  for (const group of REVIEW_GROUPS) {
    const rows = counts?.[group] ?? 0;
    const first = rows === 0 || group === 'same' ? [] : await listGroup(pool(), id, group, 0, FIRST_ROWS);
    groups[group] = { rows, first };
  }
  const { guessed } = list;
  return {
    list,
    currency: terms.currency,
    shopCurrency,
    whyColumns: whyColumns(list),
    doubtfulColumns: guessed !== null && sameColumns(list.columns, guessed.columns) ? guessed.doubtful : [],
    groups,
    work,
  };
}

export const groupSchema = z.strictObject({
  group: z.enum(REVIEW_GROUPS),
  after: z.number().int().min(0),
  most: z.number().int().min(1).max(500).default(200),
});

/** Further rows of a review group, those after a line. */
export async function moreOfGroup(
  _: Caller<'offers.price'>,
  id: number,
  { group, after, most }: z.infer<typeof groupSchema>,
): Promise<Result<ShownRow[]>> {
  return done(await listGroup(pool(), id, group, after, most));
}

/** How a list is, for somebody who waits for it. */
export async function lookAtWork(
  _: Caller<'offers.price'>,
  id: number,
): Promise<Result<{ state: ListState; work: ListWorkDone | null }>> {
  const work = await workOn(pool(), id);
  const list = await getPriceList(pool(), id);
  if (list === null) return fault('not-found', 'There is no such list.');
  return done({ state: list.state, work });
}

export async function listsOfLate(_: Caller<'offers.read'>): Promise<PriceList[]> {
  return listPriceLists(pool(), 8);
}

export const correctSchema = columnsSchema;

const WAITS = 'This list is being read: wait until that is done.';
const APPLIED = 'This list was applied already: undo it first.';

/** Why a list cannot be changed now; null: it can. */
const closed = ({ state }: PriceList): string | null =>
  state === 'looked-at' || state === 'failed' ? null : state === 'reading' ? WAITS : APPLIED;

/** Reads a list by corrected columns; the seller's next list of the same headings goes by them. */
export async function correctColumns(
  caller: Caller<'offers.price'>,
  id: number,
  told: z.infer<typeof correctSchema>,
): Promise<Result<null>> {
  const ready = await transaction(async (db): Promise<Result<PriceList>> => {
    const list = await lockPriceList(db, id);
    if (list === null) return fault('not-found', 'There is no such list.');
    const why = closed(list);
    if (why !== null) return fault('conflict', why);
    const taken = Object.values(told.columns);
    if (new Set(taken).size < taken.length) return fault('bad-input', 'One column cannot hold two things.');
    await queueReading(db, id, told);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'list-corrected', detail: { id, columns: told } });
    return done(list);
  });
  if (!ready.ok) return ready;
  await waitForSmall(ready.value.bytes, id);
  return done(null);
}

/** A row as it is with what was said of it: with its spec and what it comes to, where nothing is doubtful any more. */
async function mended(db: Queryable, row: ListedRow, ground: CountingGround): Promise<MendedRow> {
  const module = row.doubts.length === 0 ? wholeModule({ ...row.module, maker: null, part: null }) : null;
  if (module === null) return { row, specId: null, costCents: null, steps: null };
  const specId = await specOf(db, module);
  const cost = rowCost(row, ground);
  return cost.ok
    ? { row, specId, costCents: cost.costCents, steps: cost.steps }
    : { row, specId, costCents: null, steps: null };
}

export const fixSchema = z.strictObject({ line: idSchema, fix: rowFixSchema.nullable() });

/** Notes what a person says of a doubtful row; null forgets it. */
export async function fixRow(
  caller: Caller<'offers.price'>,
  id: number,
  { line, fix }: z.infer<typeof fixSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const list = await lockPriceList(db, id);
    if (list === null) return fault('not-found', 'There is no such list.');
    const why = closed(list);
    if (why !== null) return fault('conflict', why);
    const read = await readRowOf(db, id, line);
    if (read === null) return fault('not-found', 'There is nothing to correct in this line.');
    const ground = await groundOf(db, list.sellerId);
    await setRowFix(db, id, line, fix);
    await setRow(db, id, await mended(db, correctRow(read, fix ?? undefined), ground));
    await compareRow(db, list, ground.terms.currency, line);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'list-row-fixed', detail: { id, line, fix } });
    return done(null);
  });
}
