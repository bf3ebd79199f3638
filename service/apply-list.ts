import { z } from 'zod';
import { idSchema } from '../core/bounds';
import { SUSPICIONS } from '../core/price-list/compare-list';
import { pool, type Queryable, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { applyLines, countLeft, noteLotsOf, undoChanges } from '../store/list-changes';
import { compareRows, lastLine, withdrawGone } from '../store/list-rows';
import {
  endWork,
  getPriceList,
  howOffersStand,
  type ListOutcome,
  laterList,
  lockPriceList,
  noteWork,
  type PriceList,
  setApplied,
  setSentence,
  setToRead,
  setUndone,
  workOn,
} from '../store/price-lists';
import type { Caller } from './access';
import { bindList } from './bind-models';
import { groundMark, groundOf, sameMark } from './counting-ground';
import { waitALittle } from './price-lists';
import { columnsOf, readList, workTeller } from './read-list';
import { done, fault, type Result } from './result';

export const applySchema = z.strictObject({
  /** lines of suspicious rows that are right after all */
  accept: z.array(idSchema).max(50_000).default([]),
  /** all rows of these suspicions are */
  acceptAll: z.array(z.enum(SUSPICIONS)).default([]),
  /** offers that the list no longer names leave the market */
  withdrawGone: z.boolean().default(false),
});
type Wanted = z.infer<typeof applySchema>;

/** Lines, or changes to undo, that are written with one statement: many, since those of an index's page come together then. */
const AT_ONCE = 50_000;

const BUSY = 'This list is being worked on: wait until that is done.';

/** Compares with how the offers stand now, and writes every row that counts. */
async function writeRows(db: Queryable, list: PriceList, currency: string, wanted: Wanted): Promise<ListOutcome> {
  if ((await howOffersStand(db, list.sellerId)) !== list.stood) await compareRows(db, list, currency);
  const accepted = { lines: wanted.accept, suspicions: wanted.acceptAll };
  const outcome: ListOutcome = { added: 0, priced: 0, withdrawn: 0, left: await countLeft(db, list.id, accepted) };
  if (wanted.withdrawGone) outcome.withdrawn = await withdrawGone(db, list);
  const whole = await lastLine(db, list.id);
  const tell = workTeller(list.id, 'applying', whole);
  for (let from = 0; from < whole; from += AT_ONCE) {
    const { added, priced } = await applyLines(db, list, { from, to: from + AT_ONCE }, accepted);
    outcome.added += added;
    outcome.priced += priced;
    await tell(Math.min(whole, from + AT_ONCE));
  }
  return outcome;
}

/** Thrown to leave a transaction with nothing done. */
class Left extends Error {
  constructor(readonly result: Result<never>) {
    super();
  }
}

const leave = (result: Result<never>): never => {
  throw new Left(result);
};

/** Has a list worked on in one transaction, on its own where it takes long; what goes wrong then stays with the list. */
async function workAlone<T>(
  id: number,
  what: 'applying' | 'undoing',
  work: (db: Queryable, list: PriceList) => Promise<T>,
): Promise<Result<T | null>> {
  if ((await workOn(pool(), id)) !== null) return fault('conflict', BUSY);
  await noteWork(pool(), id, { what, done: 0, whole: 0 });
  let value: T | null = null;
  const working = transaction(async (db) => {
    const list = (await lockPriceList(db, id)) ?? leave(fault('not-found', 'There is no such list.'));
    value = await work(db, list);
  }).finally(() => endWork(pool(), id).catch(() => {}));
  working.catch((cause) => {
    if (cause instanceof Left) return;
    return setSentence(pool(), id, 'It broke off, and nothing changed: try again.').catch(() => {});
  });
  try {
    await waitALittle(working);
    return done(value);
  } catch (cause) {
    if (cause instanceof Left) return cause.result;
    throw cause;
  }
}

/**
 * Applies a list, all of it in one go: what is doubtful or suspicious and not accepted is left as it was. What takes
 * long goes on after this has returned, with null.
 *
 * @param caller who applies it; null: its feed does, as somebody set it
 */
export async function applyList(
  caller: Caller | null,
  id: number,
  wanted: Wanted,
): Promise<Result<ListOutcome | null>> {
  const before = await getPriceList(pool(), id);
  if (before === null) return fault('not-found', 'There is no such list.');
  if (before.state !== 'looked-at') return fault('conflict', notOpen(before));
  const mark = groundMark(await groundOf(pool(), before.sellerId));
  if (!sameMark(before.ground, mark)) {
    await transaction((db) => setToRead(db, id, before));
    await waitALittle(readList(id, columnsOf(before)));
    return fault(
      'conflict',
      `The terms of ${before.seller} or a rate changed: its prices were counted anew, look again.`,
    );
  }
  return workAlone(id, 'applying', async (db, list) => {
    if (list.state !== 'looked-at') return leave(fault('conflict', notOpen(list)));
    const { terms } = await groundOf(db, list.sellerId);
    const outcome = await writeRows(db, list, terms.currency, wanted);
    await bindList(db, list);
    await setApplied(db, id, outcome);
    await noteEvent(db, {
      jobId: null,
      staffId: caller?.id ?? null,
      kind: 'list-applied',
      detail: { id, applied: outcome },
    });
    return outcome;
  });
}

const notOpen = ({ state }: PriceList): string =>
  state === 'reading'
    ? 'This list is being read: wait until it is.'
    : state === 'failed'
      ? 'This list could not be read.'
      : 'This list was applied already.';

/** Undoes a list whole: what it added leaves the market, what it moved goes back, what it withdrew returns. */
export async function undoList(caller: Caller, id: number): Promise<Result<{ changed: number } | null>> {
  return workAlone(id, 'undoing', async (db, list) => {
    if (list.state !== 'applied') {
      return leave(fault('conflict', 'This list does not count: there is nothing to undo.'));
    }
    const later = await laterList(db, id);
    if (later !== null) return leave(fault('conflict', `${later} was applied after it: undo that first.`));
    const { added = 0, priced = 0, withdrawn = 0 } = list.outcome ?? {};
    const tell = workTeller(id, 'undoing', added + priced + withdrawn);
    let changed = 0;
    for (let after = 0, some = AT_ONCE; some === AT_ONCE; ) {
      const part = await undoChanges(db, list, after, AT_ONCE);
      some = part.changed;
      after = part.last;
      changed += part.changed;
      await tell(changed);
    }
    await noteLotsOf(db, list.sellerId);
    await setUndone(db, id);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'list-undone', detail: { id } });
    return { changed };
  });
}
