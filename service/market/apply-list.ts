import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { SUSPICIONS } from '../../core/price-list/compare-list';
import { caughtAs } from '../../runtime/log';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { applyLines, countLeft, noteLotsOf, undoChanges } from '../../store/market/list-changes';
import { compareRows, lastLine, withdrawGone } from '../../store/market/list-rows';
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
  setListUndone,
  setSentence,
  workOn,
} from '../../store/market/price-lists';
import type { Queryable } from '../../store/queryable';
import { addTask, type TaskPayloads } from '../../store/queue/queue';
import { done, type Fault, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { bindList } from './bind-models';
import { groundMark, groundOf, sameMark } from './counting-ground';
import { waitALittle } from './price-lists';
import { columnsOf, queueReading, workTeller } from './read-list';

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

const BUSY = 'This list is being processed: wait until that is done.';

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

type ListTask = TaskPayloads['work-on-list'];

/** Writes a list's rows that count to the market, all in one go. */
async function applyNow(db: Queryable, list: PriceList, { wanted, by }: ListTask): Promise<void> {
  if (list.state !== 'looked-at') leave(fault('conflict', notOpen(list)));
  const { terms } = await groundOf(db, list.sellerId);
  const applied = await writeRows(db, list, terms.currency, applySchema.parse(wanted));
  await bindList(db, list);
  await setApplied(db, list.id, applied);
  await noteEvent(db, { jobId: null, staffId: by, kind: 'list-applied', detail: { id: list.id, applied } });
}

/** Takes back what a list wrote, all in one go. */
async function undoNow(db: Queryable, list: PriceList, { by }: ListTask): Promise<void> {
  const why = await whyNotUndone(db, list);
  if (why !== null) leave(why);
  const { added = 0, priced = 0, withdrawn = 0 } = list.outcome ?? {};
  const tell = workTeller(list.id, 'undoing', added + priced + withdrawn);
  let changed = 0;
  for (let after = 0, some = AT_ONCE; some === AT_ONCE; ) {
    const part = await undoChanges(db, list, after, AT_ONCE);
    some = part.changed;
    after = part.last;
    changed += part.changed;
    await tell(changed);
  }
  await noteLotsOf(db, list.sellerId);
  await setListUndone(db, list.id);
  await noteEvent(db, { jobId: null, staffId: by, kind: 'list-undone', detail: { id: list.id } });
}

const BROKE_OFF = 'It stopped, and nothing changed: try again.';

/** Works on a list in one transaction, as a task does. @param isLast it is not tried again: then the list says so */
export async function workOnList(task: ListTask, isLast: boolean): Promise<Result<null>> {
  const { id, what } = task;
  await noteWork(pool(), id, { what, done: 0, whole: 0 });
  const end = (): Promise<void> => endWork(pool(), id).catch(caughtAs('ending the work on a list', undefined, { id }));
  try {
    await transaction(async (db) => {
      const list = (await lockPriceList(db, id)) ?? leave(fault('not-found', 'There is no such list.'));
      await (what === 'applying' ? applyNow : undoNow)(db, list, task);
    });
  } catch (cause) {
    if (cause instanceof Left) {
      await end();
      return cause.result;
    }
    if (isLast) {
      await setSentence(pool(), id, BROKE_OFF);
      await end();
    }
    throw cause;
  }
  await end();
  return done(null);
}

/** Has a list worked on beside the request that asks for it; what is quickly done is waited for. */
async function workBeside(task: ListTask): Promise<Result<PriceList | null>> {
  const { id, what } = task;
  if ((await workOn(pool(), id)) !== null) return fault('conflict', BUSY);
  await transaction(async (db) => {
    await setSentence(db, id, null);
    await noteWork(db, id, { what, done: 0, whole: 0 });
    await addTask(db, 'work-on-list', task, { about: id });
  });
  await waitALittle(async () => (await workOn(pool(), id)) === null);
  return done((await workOn(pool(), id)) === null ? await getPriceList(pool(), id) : null);
}

/**
 * Applies a list, all of it in one go: what is doubtful or suspicious and not accepted is left as it was. What takes
 * long goes on after this has returned, with null.
 *
 * @param caller who applies it; null: its feed does, as somebody set it, and sees it through to its end
 */
export async function applyList(
  caller: Caller<'offers.price'> | null,
  id: number,
  wanted: Wanted,
): Promise<Result<ListOutcome | null>> {
  const before = await getPriceList(pool(), id);
  if (before === null) return fault('not-found', 'There is no such list.');
  if (before.state !== 'looked-at') return fault('conflict', notOpen(before));
  const mark = groundMark(await groundOf(pool(), before.sellerId));
  if (!sameMark(before.ground, mark)) {
    await transaction((db) => queueReading(db, id, columnsOf(before)));
    await waitALittle(async () => (await getPriceList(pool(), id))?.state !== 'reading');
    return fault(
      'conflict',
      `The terms of ${before.seller} or a rate changed: its prices were recalculated, check them again.`,
    );
  }
  const task: ListTask = { id, what: 'applying', wanted, by: caller?.id ?? null };
  if (caller === null) {
    const applied = await workOnList(task, true);
    return applied.ok ? done((await getPriceList(pool(), id))?.outcome ?? null) : applied;
  }
  const worked = await workBeside(task);
  if (!worked.ok || worked.value === null) return worked as Result<null>;
  const { state, outcome, sentence } = worked.value;
  return state === 'applied' ? done(outcome) : fault('conflict', sentence ?? notOpen(worked.value));
}

const notOpen = ({ state }: PriceList): string =>
  state === 'reading'
    ? 'This list is being read: wait until that is done.'
    : state === 'failed'
      ? 'This list could not be read.'
      : state === 'looked-at'
        ? BROKE_OFF
        : 'This list was applied already.';

/** Why a list cannot be undone; null: it can. */
async function whyNotUndone(db: Queryable, { id, state }: PriceList): Promise<Fault | null> {
  if (state !== 'applied') return fault('conflict', 'This list does not count: there is nothing to undo.');
  const later = await laterList(db, id);
  return later === null ? null : fault('conflict', `${later} was applied after it: undo that first.`);
}

/** Undoes a list whole: what it added leaves the market, what it moved goes back, what it withdrew returns. */
export async function undoList(caller: Caller<'offers.price'>, id: number): Promise<Result<null>> {
  const list = await getPriceList(pool(), id);
  if (list === null) return fault('not-found', 'There is no such list.');
  const why = await whyNotUndone(pool(), list);
  if (why !== null) return why;
  const worked = await workBeside({ id, what: 'undoing', wanted: {}, by: caller.id });
  if (!worked.ok) return worked;
  if (worked.value === null || worked.value.state === 'undone') return done(null);
  return fault('conflict', worked.value.sentence ?? BROKE_OFF);
}
