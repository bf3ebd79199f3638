import type { RowFix } from '../../core/price-list/correct-row';
import type { GuessedColumns } from '../../core/price-list/guess-columns';
import type { ListColumns } from '../../core/price-list/read-row';
import type { Encoding } from '../../core/reading/bytes/decode-text';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

export type ListState = 'arriving' | 'reading' | 'failed' | 'looked-at' | 'applied' | 'undone';

/** What a list was found to be when it was read. */
export interface ListFindings {
  guessed: GuessedColumns | null;
  /** its first rows, as they stand */
  sample: string[][];
  passedOver: { count: number; first: { line: number; text: string }[] } | null;
  /** why its prices cannot be counted, or why it could not be read */
  sentence: string | null;
  /** what its prices were counted by */
  ground: unknown;
}

/** What applying a list did: offers added, priced again, taken off the market, and rows left as they were. */
export interface ListOutcome {
  added: number;
  priced: number;
  withdrawn: number;
  left: number;
}

export interface PriceList extends ListFindings, ListColumns {
  id: number;
  sellerId: number;
  seller: string;
  name: string;
  bytes: number;
  encoding: Encoding | null;
  /** what a person said of doubtful rows, by line */
  fixes: Record<string, RowFix>;
  /** offers of the seller that it does not name */
  gone: number;
  /** how the seller's offers stood when it was compared with them */
  stood: string | null;
  /** once it was applied */
  outcome: ListOutcome | null;
  state: ListState;
  madeBy: string | null;
  madeAt: Date;
}

const SELECT = `select price_list.id, seller_id as "sellerId", seller.name as seller, price_list.name, bytes, encoding, headings,
    columns - 'capacityIs' as columns, columns ->> 'capacityIs' as "capacityIs", guessed, sample, passed_over as "passedOver",
    sentence, ground, fixes, coalesce(gone, 0) as gone, stood, outcome, state, staff.name as "madeBy", made_at as "madeAt"
  from price_list join seller on seller.id = seller_id left join staff on staff.id = made_by`;

/** Begins a list whose bytes are still to come; nobody sees it before it is whole. */
export async function insertPriceList(
  db: Queryable,
  list: { sellerId: number; name: string },
  staffId: number | null,
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    'insert into price_list (seller_id, name, made_by) values ($1, $2, $3) returning id',
    [list.sellerId, list.name, staffId],
  );
  return id;
}

export async function insertPart(db: Queryable, listId: number, nr: number, bytes: Uint8Array): Promise<void> {
  await run(db, 'insert into price_list_part (list_id, nr, bytes) values ($1, $2, $3)', [
    listId,
    nr,
    Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength),
  ]);
}

/** One part of a list's file; null: there are no more. */
export async function listPart(db: Queryable, listId: number, nr: number): Promise<Buffer | null> {
  const part = await maybeOne<{ bytes: Buffer }>(
    db,
    'select bytes from price_list_part where list_id = $1 and nr = $2',
    [listId, nr],
  );
  return part?.bytes ?? null;
}

export async function countListParts(db: Queryable, listId: number): Promise<number> {
  return (
    await one<{ parts: number }>(db, 'select count(*) as parts from price_list_part where list_id = $1', [listId])
  ).parts;
}

/** All of the list's bytes have come. */
export async function setArrived(
  db: Queryable,
  id: number,
  file: { sha256: Uint8Array; bytes: number; encoding: Encoding },
): Promise<void> {
  await run(db, "update price_list set state = 'reading', sha256 = $2, bytes = $3, encoding = $4 where id = $1", [
    id,
    Buffer.from(file.sha256),
    file.bytes,
    file.encoding,
  ]);
}

/** Takes a list away that never counted, with all that was read of it. */
export async function deleteList(db: Queryable, id: number): Promise<void> {
  await run(db, "delete from price_list where id = $1 and state in ('arriving', 'reading', 'failed')", [id]);
}

/** Lists that began to arrive and never did: their senders have gone. */
export async function deleteStrandedLists(db: Queryable): Promise<void> {
  await run(db, "delete from price_list where state = 'arriving' and made_at < now() - interval '1 day'");
}

/** Was a list with just these bytes taken from the seller before? */
export async function listKnown(db: Queryable, sellerId: number, sha256: Uint8Array): Promise<boolean> {
  const found = await many(
    db,
    "select id from price_list where seller_id = $1 and sha256 = $2 and state not in ('arriving', 'failed') limit 1",
    [sellerId, Buffer.from(sha256)],
  );
  return found.length > 0;
}

export async function getPriceList(db: Queryable, id: number): Promise<PriceList | null> {
  return maybeOne<PriceList & Record<string, unknown>>(
    db,
    `${SELECT} where price_list.id = $1 and state <> 'arriving'`,
    [id],
  );
}

/** Lists of late, the last first. */
export async function listPriceLists(db: Queryable, most: number): Promise<PriceList[]> {
  return many<PriceList & Record<string, unknown>>(
    db,
    `${SELECT} where state <> 'arriving' order by made_at desc, price_list.id desc limit $1`,
    [most],
  );
}

/** So long after its last word anyone who works on a list is taken to have gone. */
const SILENT = "interval '3 minutes'";

/** Lists that wait to be read and that no task is about. */
export async function unreadLists(db: Queryable): Promise<number[]> {
  const lists = await many<{ id: number }>(
    db,
    `select id from price_list where state = 'reading'
       and not exists (select from graphile_worker.jobs where key = 'read-list:' || price_list.id) order by id`,
  );
  return lists.map(({ id }) => id);
}

/** A list waits to be read again, by these columns or, where none are told, by guessed ones. */
export async function setToRead(db: Queryable, id: number, told: ListColumns | null): Promise<void> {
  await run(db, "update price_list set state = 'reading', sentence = null, headings = $2, columns = $3 where id = $1", [
    id,
    told?.headings ?? null,
    told === null ? {} : storedColumns(told),
  ]);
}

const storedColumns = ({ columns, capacityIs }: ListColumns) => ({ ...columns, ...(capacityIs && { capacityIs }) });

/** What a list was found to be; from now on it is looked at. */
export async function setFindings(db: Queryable, id: number, used: ListColumns, found: ListFindings): Promise<void> {
  await run(
    db,
    `update price_list set state = 'looked-at', headings = $2, columns = $3, guessed = $4, sample = $5, passed_over = $6,
       sentence = $7, ground = $8 where id = $1`,
    [
      id,
      used.headings,
      storedColumns(used),
      found.guessed,
      JSON.stringify(found.sample),
      found.passedOver,
      found.sentence,
      found.ground,
    ],
  );
}

export async function setFailed(db: Queryable, id: number, sentence: string): Promise<void> {
  await run(db, "update price_list set state = 'failed', sentence = $2 where id = $1", [id, sentence]);
}

/** Keeps what a person said of one row, or forgets it. */
export async function setRowFix(db: Queryable, id: number, line: number, fix: RowFix | null): Promise<void> {
  await run(
    db,
    'update price_list set fixes = case when $3::jsonb is null then fixes - $2 else jsonb_set(fixes, array[$2], $3) end where id = $1',
    [id, String(line), fix === null ? null : JSON.stringify(fix)],
  );
}

/** A list and its seller, locked: of two lists of one seller one waits for the other. */
export async function lockPriceList(db: Queryable, id: number): Promise<PriceList | null> {
  const list = await getPriceList(db, id);
  if (list === null) return null;
  await run(db, 'select from seller where id = $1 for update', [list.sellerId]);
  await run(db, 'select from price_list where id = $1 for update', [id]);
  return getPriceList(db, id);
}

export async function setApplied(db: Queryable, id: number, outcome: ListOutcome): Promise<void> {
  await run(
    db,
    `update price_list set state = 'applied', applied_at = clock_timestamp(), outcome = $2, sentence = null where id = $1`,
    [id, outcome],
  );
}

export async function setListUndone(db: Queryable, id: number): Promise<void> {
  await run(db, `update price_list set state = 'undone', undone_at = now(), sentence = null where id = $1`, [id]);
}

/** Says of a list what went wrong with it, or nothing any more; its state stays. */
export async function setSentence(db: Queryable, id: number, sentence: string | null): Promise<void> {
  await run(db, 'update price_list set sentence = $2 where id = $1', [id, sentence]);
}

/** Columns as a seller's last list was read by, for the next one. */
export async function rememberColumns(db: Queryable, sellerId: number, columns: object): Promise<void> {
  await run(db, 'update seller set list_columns = $2 where id = $1', [sellerId, columns]);
}

export async function rememberedColumns(db: Queryable, sellerId: number): Promise<unknown> {
  return (
    await maybeOne<{ columns: unknown }>(db, 'select list_columns as columns from seller where id = $1', [sellerId])
  )?.columns;
}

/** The list of the seller that was applied after this one and still counts; null: none. */
export async function laterList(db: Queryable, listId: number): Promise<string | null> {
  const row = await maybeOne<{ name: string }>(
    db,
    `select later.name from price_list as later, price_list as own
     where own.id = $1 and later.seller_id = own.seller_id and later.state = 'applied' and later.applied_at > own.applied_at
     order by later.applied_at desc limit 1`,
    [listId],
  );
  return row?.name ?? null;
}

/** How far a list's work is; in bytes, rows or offers. */
export interface ListWorkDone {
  what: 'reading' | 'comparing' | 'applying' | 'undoing';
  done: number;
  whole: number;
}

/** Somebody is at work on a list; said outside the work's own transaction, so that others see it. */
export async function noteWork(db: Queryable, id: number, { what, done, whole }: ListWorkDone): Promise<void> {
  await run(
    db,
    `insert into price_list_work (list_id, what, done, whole) values ($1, $2, $3, $4)
     on conflict (list_id) do update set what = $2, done = $3, whole = $4, at = now()`,
    [id, what, done, whole],
  );
}

export async function endWork(db: Queryable, id: number): Promise<void> {
  await run(db, 'delete from price_list_work where list_id = $1', [id]);
}

/** How far a list's work is; null: nobody works on it, or the one who did has fallen silent and no task is left to do it. */
export async function workOn(db: Queryable, id: number): Promise<ListWorkDone | null> {
  return maybeOne<ListWorkDone & Record<string, unknown>>(
    db,
    `select what, done, whole from price_list_work where list_id = $1 and (at > now() - ${SILENT} or exists (
       select from graphile_worker.jobs where key in ('read-list:' || $1, 'work-on-list:' || $1)
         and (locked_at is not null or attempts < max_attempts)))`,
    [id],
  );
}

/** Has this transaction alone read a list; false where another one is at it. */
export async function holdReading(db: Queryable, id: number): Promise<boolean> {
  return (await one<{ held: boolean }>(db, 'select pg_try_advisory_xact_lock(17, $1) as held', [id])).held;
}

/** A mark of a seller's offers and their prices, which changes when one of them does. */
const STANDS = `select count(*) || ' ' || coalesce(bit_xor(hashint8extended(price_id, id + case when withdrawn_at is null then 0 else 1 << 30 end)), 0)
  from offer where seller_id = $1`;

export async function howOffersStand(db: Queryable, sellerId: number): Promise<string> {
  return (await one<{ stands: string }>(db, `select (${STANDS}) as stands`, [sellerId])).stands;
}

export async function noteStood(db: Queryable, id: number, stood: string): Promise<void> {
  await run(db, 'update price_list set stood = $2 where id = $1', [id, stood]);
}
