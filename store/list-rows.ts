import { type Fate, HEAPS, type Heap, type Suspicion } from '../core/price-list/compare-list';
import { PRICE_BANDS } from '../core/price-list/price-bands';
import type { ListedRow, RowDoubt } from '../core/price-list/read-row';
import type { Writable } from 'node:stream';
import { copyInto, many, maybeOne, one, type Queryable, run } from './database';

/** A row of a list as it is looked at. */
export interface ShownRow {
  line: number;
  sku: string;
  title: string;
  modules: number;
  printedCents: number | null;
  currency: string | null;
  costCents: number | null;
  doubts: RowDoubt[];
  fate: Fate;
  suspicion: Suspicion | null;
  /** what the offer's price was, printed or, where {@link byCost}, what we paid */
  fromCents: number | null;
  byCost: boolean;
}

/** Makes room for rows as they are read, within a transaction; they are written to the stream in COPY's text format. */
export async function openListed(db: Queryable, columns: readonly string[]): Promise<Writable> {
  await run(
    db,
    `create temporary table listed (
       line integer, sku text, title text, modules smallint, spec integer, maker text, part text, printed_cents integer,
       currency text, stock integer, used boolean, cost_cents integer, steps jsonb, doubts text[], as_read jsonb
     ) on commit drop`,
  );
  await run(db, 'create temporary table listed_spec (nr integer primary key, spec_id integer not null) on commit drop');
  return copyInto(db, `copy listed (${columns.join(', ')}) from stdin`);
}

export async function insertListedSpec(db: Queryable, nr: number, specId: number): Promise<void> {
  await run(db, 'insert into listed_spec (nr, spec_id) values ($1, $2)', [nr, specId]);
}

const BANDS = JSON.stringify(PRICE_BANDS);

/**
 * What each row of `source` does to the seller's offers: `$1` list, `$2` seller, `$3` currency it prints in, `$4` bands of
 * suspicious prices. Of rows with one number the first counts. An offer that left the market is new when it comes back.
 * Where the seller's own price was never noted, what we pay is compared.
 */
const fatesOf = (source: string): string => `
  with bands as materialized (
    select * from rows from (jsonb_to_recordset($4::jsonb) as (suspicion text, modules integer, over float8, under float8))
      with ordinality as band (suspicion, modules, over, under, place)
  )
  select beside.*,
    case when doubts is not null then 'doubtful' when from_cents is null then 'new'
      when to_cents is null or to_cents = from_cents then 'same' when to_cents > from_cents then 'up' else 'down' end as fate,
    case when doubts is not null then null when twice then 'twice' when currency is not null and currency <> $3 then 'currency'
      when to_cents is null or from_cents is null or to_cents = from_cents then null
      else (
        select bands.suspicion from bands
        where (bands.modules is null or bands.modules = pack)
          and to_cents::float8 / from_cents > bands.over and to_cents::float8 / from_cents < bands.under
        order by place limit 1
      ) end as suspicion
  from (
    select row.*, offer.id as offer_id, coalesce(offer.modules, row.modules) as pack,
      offer.id is not null and price.printed_cents is null as by_cost,
      case when withdrawn_at is null then coalesce(price.printed_cents, offer.cost_cents) end as from_cents,
      case when price.printed_cents is null and offer.id is not null then row.cost_cents else row.printed_cents end as to_cents
    from ${source} as row
      left join offer on offer.seller_id = $2 and lower(offer.seller_part) = lower(row.sku)
      left join offer_price as price on price.id = offer.price_id
  ) as beside`;

/** Rows as they are copied, with whether an earlier one has the same number. */
const LISTED = `(
  select listed.*, twice.key is not null as twice from listed left join (
    select lower(sku) as key, min(line) as line from listed where sku <> '' group by 1 having count(*) > 1
  ) as twice on twice.key = lower(sku) and twice.line < listed.line
)`;

const KEPT = `(
  select line, sku, modules, printed_cents, currency, cost_cents, doubts, twice from price_list_row
  where list_id = $1 and ($5::integer is null or line = $5)
)`;

interface OfSeller {
  id: number;
  sellerId: number;
}

/** Keeps the rows that were copied into `listed`, each with what it does. Returns how many. */
export async function keepListed(db: Queryable, list: OfSeller, currency: string): Promise<number> {
  await run(db, 'delete from price_list_row where list_id = $1', [list.id]);
  await run(db, 'analyze listed');
  return run(
    db,
    `insert into price_list_row (list_id, line, sku, title, modules, spec_id, maker, part, printed_cents, currency, stock, used,
       cost_cents, steps, doubts, as_read, twice, fate, suspicion, offer_id, from_cents, by_cost)
     select $1, line, sku, title, modules, listed_spec.spec_id, maker, part, printed_cents, currency, stock, used,
       cost_cents, steps, doubts, as_read, twice, fate, suspicion, offer_id, from_cents, by_cost
     from (${fatesOf(LISTED)}) as told left join listed_spec on nr = spec`,
    [list.id, list.sellerId, currency, BANDS],
  );
}

/** Compares rows with the offers as they stand by now; one row, or all of them. */
export async function compareAnew(
  db: Queryable,
  list: OfSeller,
  currency: string,
  line: number | null = null,
): Promise<void> {
  await run(
    db,
    `update price_list_row as row set fate = told.fate, suspicion = told.suspicion, offer_id = told.offer_id,
       from_cents = told.from_cents, by_cost = told.by_cost
     from (${fatesOf(KEPT)}) as told
     where row.list_id = $1 and row.line = told.line and (row.fate, row.suspicion, row.offer_id, row.from_cents, row.by_cost)
       is distinct from (told.fate, told.suspicion, told.offer_id, told.from_cents, told.by_cost)`,
    [list.id, list.sellerId, currency, BANDS, line],
  );
}

/** Offers of the seller on the market that a list does not name. */
const GONE = `from offer where seller_id = $2 and seller_part is not null and withdrawn_at is null
  and not exists (select from price_list_row where list_id = $1 and lower(sku) = lower(seller_part))`;

/** Counts the offers that a list no longer names. */
export async function countGone(db: Queryable, list: OfSeller): Promise<void> {
  await run(db, `update price_list set gone = (select count(*) ${GONE}) where id = $1`, [list.id, list.sellerId]);
}

/** Takes offers that the list no longer names off the market, noting how they stood. */
export async function withdrawGone(db: Queryable, list: OfSeller): Promise<number> {
  return run(
    db,
    `with gone as materialized (select id, stock ${GONE}), noted as (
       insert into price_list_change (list_id, offer_id, added, withdrawn, stock) select $1, id, false, false, stock from gone
     )
     update offer set withdrawn_at = now() from gone where offer.id = gone.id`,
    [list.id, list.sellerId],
  );
}

/** How many rows are in each heap. */
export async function countHeaps(db: Queryable, listId: number): Promise<Record<Heap, number>> {
  const counted = await many<{ heap: Heap; rows: number }>(
    db,
    'select heap, count(*) as rows from price_list_row where list_id = $1 group by heap',
    [listId],
  );
  const of = new Map(counted.map(({ heap, rows }) => [heap, rows]));
  return Object.fromEntries(HEAPS.map((heap) => [heap, of.get(heap) ?? 0])) as Record<Heap, number>;
}

const SHOWN = `select line, sku, title, modules, printed_cents as "printedCents", currency, cost_cents as "costCents",
    coalesce(doubts, '{}') as doubts, fate, suspicion, from_cents as "fromCents", by_cost as "byCost" from price_list_row`;

/** Rows of a heap after a line, in the order of the file. */
export async function listHeap(
  db: Queryable,
  listId: number,
  heap: Heap,
  after: number,
  most: number,
): Promise<ShownRow[]> {
  return many<ShownRow & Record<string, unknown>>(
    db,
    `${SHOWN} where list_id = $1 and heap = $2 and line > $3 order by line limit $4`,
    [listId, heap, after, most],
  );
}

/** A row as it was read, where it was doubtful then; null: there is none such. */
export async function readRowOf(db: Queryable, listId: number, line: number): Promise<ListedRow | null> {
  const row = await maybeOne<{ read: ListedRow }>(
    db,
    'select as_read as read from price_list_row where list_id = $1 and line = $2 and as_read is not null',
    [listId, line],
  );
  return row?.read ?? null;
}

/** A row that was put right, with its module's spec and what it comes to; nulls where it is doubtful still. */
export interface MendedRow {
  row: ListedRow;
  specId: number | null;
  costCents: number | null;
  steps: unknown;
}

export async function setRow(db: Queryable, listId: number, { row, specId, costCents, steps }: MendedRow): Promise<void> {
  await run(
    db,
    `update price_list_row set modules = $3, spec_id = $4, printed_cents = $5, cost_cents = $6, steps = $7, doubts = $8
     where list_id = $1 and line = $2`,
    [
      listId,
      row.line,
      row.modules,
      specId,
      row.printedCents,
      costCents,
      steps == null ? null : JSON.stringify(steps),
      row.doubts.length === 0 ? null : row.doubts,
    ],
  );
}

/** The last line of a list; 0 where it has no rows. */
export async function lastLine(db: Queryable, listId: number): Promise<number> {
  return (
    await one<{ line: number }>(db, 'select coalesce(max(line), 0) as line from price_list_row where list_id = $1', [
      listId,
    ])
  ).line;
}

/** Rows of lists that no longer wait are let go; what they changed is kept apart. */
export async function clearRows(db: Queryable): Promise<void> {
  await run(
    db,
    `delete from price_list_row as row using price_list where price_list.id = list_id and state in ('applied', 'undone')`,
  );
}
