import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { z } from 'zod';
import { COLUMN_ROLES } from '../core/price-list/column-roles';
import type { ListColumns } from '../core/price-list/read-row';
import { LISTED_COLUMNS, type ListEnd, type ListPiece } from '../outward/list-reading';
import { ListThread } from '../outward/list-thread';
import { pool, type Queryable, transaction } from '../store/database';
import { compareRows, countGone, insertListSpec, noteTwice, openRows } from '../store/list-rows';
import { specOf } from '../store/offers';
import {
  countParts,
  endWork,
  getPriceList,
  holdReading,
  howOffersStand,
  listPart,
  noteStood,
  noteWork,
  type PriceList,
  rememberColumns,
  rememberedColumns,
  setFailed,
  setFindings,
  unreadLists,
} from '../store/price-lists';
import { partsOf } from '../store/sellers';
import { groundMark, groundOf } from './counting-ground';

/** Parts that a list's file is kept in, bytes. */
export const PART_BYTES = 1024 * 1024;
/** So often it is said how far the work is, milliseconds. */
const SAY_MS = 400;

export const columnsSchema = z.strictObject({
  headings: z.number().int().min(0).max(1000).nullable(),
  columns: z.partialRecord(z.enum(COLUMN_ROLES), z.number().int().min(0).max(199)),
  capacityIs: z.enum(['module', 'kit']).nullish(),
});

/** What a seller's list was last read by, with the headings it had. */
const rememberedSchema = columnsSchema.extend({ names: z.array(z.string()) });

/** Says how far the work is, now and then; somebody who looks on sees it. */
export function workTeller(id: number, what: 'reading' | 'applying' | 'undoing', whole: number) {
  let said = 0;
  return async (done: number): Promise<void> => {
    if (Date.now() - said < SAY_MS) return;
    said = Date.now();
    await noteWork(pool(), id, { what, done, whole });
  };
}

async function write(copy: Writable, lines: Uint8Array): Promise<void> {
  if (lines.length > 0 && !copy.write(lines)) await once(copy, 'drain');
}

interface Found {
  end: ListEnd;
  specs: ListPiece['specs'];
}

/** Has every part read on the list's thread and copies the rows; a sentence where it is no price list. */
async function copyRows(list: PriceList, thread: ListThread, copy: Writable): Promise<Found | { sentence: string }> {
  const tell = workTeller(list.id, 'reading', list.bytes);
  const specs: ListPiece['specs'] = [];
  const parts = Math.max(1, await countParts(pool(), list.id));
  // One part is asked for after the other has come: the thread must get them in their order.
  let before: Promise<unknown> = Promise.resolve();
  const read = (nr: number) => {
    const part = before.then(() => listPart(pool(), list.id, nr));
    before = part;
    const taking = part.then((bytes) => thread.take(bytes ?? new Uint8Array(), nr === parts));
    // One that is not waited for any more, since an earlier one failed, fails unheard.
    taking.catch(() => {});
    return taking;
  };
  // The next part is on its way while one is read, and read while the rows of that are copied.
  const ahead = [read(1)];
  let writing: Promise<void> = Promise.resolve();
  for (let nr = 1; ; nr++) {
    if (nr < parts) ahead.push(read(nr + 1));
    const taken = (await ahead.shift()) as Awaited<ReturnType<typeof read>>;
    await writing;
    if (!taken.ok) return { sentence: taken.sentence };
    const { lines, specs: fresh, end } = taken.piece;
    writing = write(copy, lines);
    specs.push(...fresh);
    if (nr === parts) {
      await writing;
      return end === null ? { sentence: 'There is nothing in this file.' } : { end, specs };
    }
    await tell(Math.min(list.bytes, nr * PART_BYTES));
  }
}

/** Reads a list into rows within a transaction; a sentence where it is no price list. */
async function readInto(db: Queryable, list: PriceList, told: ListColumns | null): Promise<string | null> {
  const ground = await groundOf(db, list.sellerId);
  const remembered = rememberedSchema.safeParse(await rememberedColumns(db, list.sellerId));
  const thread = new ListThread({
    listId: list.id,
    encoding: list.encoding,
    told,
    remembered: remembered.success ? remembered.data : null,
    fixes: list.fixes,
    ground,
    partsOf: await partsOf(db, list.sellerId),
  });
  const copy = await openRows(db, list.id, LISTED_COLUMNS);
  const failed = once(copy, 'error').then(([cause]) => Promise.reject(cause));
  failed.catch(() => {});
  try {
    const found = await Promise.race([copyRows(list, thread, copy), failed]);
    if ('sentence' in found) {
      copy.destroy(new Error(found.sentence));
      return found.sentence;
    }
    copy.end();
    await Promise.race([once(copy, 'finish'), failed]);
    for (const { nr, module } of found.specs) await insertListSpec(db, list.id, nr, await specOf(db, module));
    await noteTwice(db, list.id);
    const stood = await howOffersStand(db, list.sellerId);
    await compareRows(db, list, ground.terms.currency);
    await noteStood(db, list.id, stood);
    const { guessed, used, sample, passedOver, sentence } = found.end;
    await setFindings(db, list.id, used, { guessed, sample, passedOver, sentence, ground: groundMark(ground) });
    await countGone(db, list);
    if (told !== null) await rememberColumns(db, list.sellerId, { ...told, names: sample[0] ?? [] });
    return null;
  } catch (cause) {
    copy.destroy(cause instanceof Error ? cause : new Error(String(cause)));
    throw cause;
  } finally {
    await thread.end();
  }
}

/** Thrown to undo what was begun of a list that is none. */
class NoList extends Error {}

async function readNow(id: number, told: ListColumns | null): Promise<void> {
  let held = false;
  try {
    await transaction(async (db) => {
      held = await holdReading(db, id);
      const list = held ? await getPriceList(db, id) : null;
      if (list === null || list.state !== 'reading') return;
      await noteWork(pool(), id, { what: 'reading', done: 0, whole: 0 });
      const sentence = await readInto(db, list, told);
      if (sentence !== null) throw new NoList(sentence);
    });
  } catch (cause) {
    if (!(cause instanceof NoList)) throw cause;
    await setFailed(pool(), id, cause.message);
  } finally {
    if (held) await endWork(pool(), id).catch(() => {});
  }
}

let queue: Promise<void> = Promise.resolve();

/**
 * Reads a list that is to be read, after those that are being read.
 *
 * @param told columns that somebody said; null: they are guessed, or those of the seller's earlier list
 */
export function readList(id: number, told: ListColumns | null): Promise<void> {
  const reading = queue.then(() => readNow(id, told));
  queue = reading.catch(() => {});
  return reading;
}

/** Reads lists whose reading a crash ended. Returns which. */
export async function readStranded(): Promise<number[]> {
  const ids = await unreadLists(pool());
  for (const id of ids) {
    const list = await getPriceList(pool(), id);
    const told = list === null || Object.keys(list.columns).length === 0 ? null : list;
    await readList(id, told === null ? null : columnsOf(told));
  }
  return ids;
}

export const columnsOf = ({ headings, columns, capacityIs }: ListColumns): ListColumns => ({
  headings,
  columns,
  capacityIs: capacityIs ?? null,
});
