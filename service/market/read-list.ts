import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { z } from 'zod';
import { COLUMN_ROLES } from '../../core/price-list/column-roles';
import type { ListColumns } from '../../core/price-list/read-row';
import { LISTED_COLUMNS, type ListEnd, type ListPiece } from '../../outward/lists/list-reading';
import { ListThread } from '../../outward/lists/list-thread';
import { caughtAs } from '../../runtime/log';
import { pool, transaction } from '../../store/database';
import { compareRows, countGone, insertListSpec, noteTwice, openRows } from '../../store/market/list-rows';
import { specOf } from '../../store/market/offers';
import {
  countListParts,
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
  setToRead,
  unreadLists,
} from '../../store/market/price-lists';
import { partsOf } from '../../store/market/sellers';
import type { Queryable } from '../../store/queryable';
import { addTask } from '../../store/queue/queue';
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
  const parts = Math.max(1, await countListParts(pool(), list.id));
  // One part is asked for after the other has come: the thread must get them in their order.
  let before: Promise<unknown> = Promise.resolve();
  const read = (nr: number) => {
    const part = before.then(() => listPart(pool(), list.id, nr));
    before = part;
    const taking = part.then((bytes) => thread.take(bytes ?? new Uint8Array(), nr === parts));
    // One that is not waited for any more, since an earlier one failed, fails for the same cause, which is thrown.
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

/** Reads a list that waits to be read, by the columns that were said of it; one that another transaction is at is left to it. */
async function readNow(id: number): Promise<void> {
  let held = false;
  try {
    await transaction(async (db) => {
      held = await holdReading(db, id);
      const list = held ? await getPriceList(db, id) : null;
      if (list === null || list.state !== 'reading') return;
      await noteWork(pool(), id, { what: 'reading', done: 0, whole: 0 });
      const isTold = Object.keys(list.columns).length > 0;
      const sentence = await readInto(db, list, isTold ? columnsOf(list) : null);
      if (sentence !== null) throw new NoList(sentence);
    });
  } catch (cause) {
    if (!(cause instanceof NoList)) throw cause;
    await setFailed(pool(), id, cause.message);
  } finally {
    if (held) await endWork(pool(), id).catch(caughtAs('ending the work on a list', undefined, { list: id }));
  }
}

const NOT_READ =
  'It could not be read, but not because of the list: an owner sees the reason under Settings, Background work.';

/** Reads a list as a task does. @param isLast it is not tried again: then the list says so */
export async function readListTask(id: number, isLast: boolean): Promise<void> {
  try {
    await readNow(id);
  } catch (cause) {
    if (isLast) await setFailed(pool(), id, NOT_READ);
    throw cause;
  }
}

/** A list waits to be read: within the transaction that says so the task for it is kept. */
export async function queueReading(db: Queryable, id: number, told: ListColumns | null): Promise<void> {
  await setToRead(db, id, told);
  await addTask(db, 'read-list', { id }, { about: id });
}

/** So often it is looked whether another one has read a list, milliseconds. */
const LOOK_MS = 100;

/** Sees a list's reading through to its end: reads it, or waits for anyone who was first. For work that is no request's. */
export async function readThrough(id: number): Promise<void> {
  for (;;) {
    await readNow(id);
    if ((await getPriceList(pool(), id))?.state !== 'reading') return;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
}

/** Puts lists that wait to be read and that no task is about into the queue. Returns how many. */
export async function queueUnread(): Promise<number> {
  const ids = await unreadLists(pool());
  for (const id of ids) await addTask(pool(), 'read-list', { id }, { about: id });
  return ids.length;
}

export const columnsOf = ({ headings, columns, capacityIs }: ListColumns): ListColumns => ({
  headings,
  columns,
  capacityIs: capacityIs ?? null,
});
