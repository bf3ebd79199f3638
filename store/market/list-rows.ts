import type { Writable } from 'node:stream';
import { type Fate, REVIEW_GROUPS, type ReviewGroup, type Suspicion } from '../../core/price-list/compare-list';
import { PRICE_BANDS } from '../../core/price-list/price-bands';
import type { ListedRow, RowDoubt } from '../../core/price-list/read-row';
import { copyInto, many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

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

/**
 * Makes room for a list's rows, within a transaction: they are written to the stream in COPY's text format, with these
 * columns. Earlier rows of the list are let go.
 */
export async function openRows(db: Queryable, listId: number, columns: readonly string[]): Promise<Writable> {
  await run(db, 'delete from price_list_row where list_id = $1', [listId]);
  await run(db, 'delete from price_list_spec where list_id = $1', [listId]);
  return copyInto(db, `copy price_list_row (${columns.join(', ')}) from stdin`);
}

/** Says what the list's rows call a module. */
export async function insertListSpec(db: Queryable, listId: number, nr: number, specId: number): Promise<void> {
  await run(db, 'insert into price_list_spec (list_id, nr, spec_id) values ($1, $2, $3)', [listId, nr, specId]);
}

/** What the list's rows call a module, which may be new among them. */
async function specNumber(db: Queryable, listId: number, specId: number): Promise<number> {
  const known = await maybeOne<{ nr: number }>(
    db,
    'select min(nr) as nr from price_list_spec where list_id = $1 and spec_id = $2 having count(*) > 0',
    [listId, specId],
  );
  if (known !== null) return known.nr;
  const { nr } = await one<{ nr: number }>(
    db,
    `insert into price_list_spec (list_id, nr, spec_id)
     select $1, coalesce(max(nr), 0) + 1, $2 from price_list_spec where list_id = $1 returning nr`,
    [listId, specId],
  );
  return nr;
}

/** From so many rows on the database is told how many there are, or it would plan as if they were few. */
const LARGE = 20_000;

/**
 * Runs a statement over a whole list, within a transaction: sorted and joined in memory where it can be, and never row by
 * row, since the database does not know yet how many rows there are, nor how many offers.
 */
async function overList(db: Queryable, statement: string, values: unknown[]): Promise<number> {
  await run(db, "set local work_mem = '96MB'");
  await run(db, 'set local enable_nestloop = off');
  const rows = await run(db, statement, values);
  await run(db, 'set local enable_nestloop = on');
  return rows;
}

const BANDS = JSON.stringify(PRICE_BANDS);

/** The rows that are compared: one line, `$5`, or all of them. */
const ROWS = `(
  select line, sku, modules, printed_cents, currency, cost_cents, doubts, twice, fate as was_fate, suspicion as was_suspicion,
    offer_id as was_offer_id, from_cents as was_from_cents, by_cost as was_by_cost from price_list_row
  where list_id = $1 and ($5::integer is null or line = $5)
)`;

/**
 * What each row does to the seller's offers: `$1` list, `$2` seller, `$3` currency it prints in, `$4` bands of
 * suspicious prices. Of rows with one number the first counts. An offer that left the market is new when it comes back.
 * Where the seller's own price was never noted, what we pay is compared.
 */
const FATES = `
  with bands as materialized (
    select * from rows from (jsonb_to_recordset($4::jsonb) as (suspicion text, modules integer, over float8, under float8))
      with ordinality as band (suspicion, modules, over, under, place)
  ), stands as materialized (
    select offer.id, lower(seller_part) as key, modules, withdrawn_at is null as on_market, cost_cents,
      (select printed_cents from offer_price where offer_price.id = price_id) as printed_cents
    from offer where seller_id = $2 and seller_part is not null
      and ($5::integer is null or lower(seller_part) = (select lower(sku) from price_list_row where list_id = $1 and line = $5))
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
    select row.*, stands.id as offer_id, coalesce(stands.modules, row.modules) as pack,
      coalesce(on_market and stands.printed_cents is null, false) as by_cost,
      case when on_market then coalesce(stands.printed_cents, stands.cost_cents) end as from_cents,
      case when on_market and stands.printed_cents is null then row.cost_cents else row.printed_cents end as to_cents
    from ${ROWS} as row left join stands on key = lower(row.sku)
    -- the rest is new, as it was taken for when it was read
    where stands.id is not null or was_offer_id is not null or twice or currency is not null or doubts is not null
      or was_fate <> 'new' or was_suspicion is not null
  ) as beside`;

interface OfSeller {
  id: number;
  sellerId: number;
}

/** Says of a list's rows, once they are written, which have a number that an earlier one has. */
export async function noteTwice(db: Queryable, listId: number): Promise<void> {
  if ((await lastLine(db, listId)) >= LARGE) await run(db, 'select look_at_list_rows()');
  const statement = `update price_list_row as row set twice = true from (
      select lower(sku) as key, min(line) as line from price_list_row where list_id = $1 and sku <> '' group by 1 having count(*) > 1
    ) as first
    where row.list_id = $1 and lower(row.sku) = first.key and row.line > first.line`;
  await overList(db, statement, [listId]);
}

/** Rows that do something else by now than was noted of them. */
const CHANGED = `select line, fate, suspicion, offer_id, from_cents, by_cost from (${FATES}) as now
  where (fate, suspicion, offer_id, from_cents, by_cost)
    is distinct from (was_fate, was_suspicion, was_offer_id, was_from_cents, was_by_cost)`;

const noteChanged = (changed: string): string => `update price_list_row as row set fate = told.fate,
    suspicion = told.suspicion, offer_id = told.offer_id, from_cents = told.from_cents, by_cost = told.by_cost
  from ${changed} as told where row.list_id = $1 and row.line = told.line`;

/** Compares a list's rows with the offers as they stand by now. */
export async function compareRows(db: Queryable, list: OfSeller, currency: string): Promise<void> {
  const values = [list.id, list.sellerId, currency, BANDS, null];
  await overList(db, `create temporary table changed_row on commit drop as ${CHANGED}`, values);
  await run(db, 'analyze changed_row');
  await run(db, noteChanged('changed_row'), [list.id]);
  await run(db, 'drop table changed_row');
}

/** Compares one row. */
export async function compareRow(db: Queryable, list: OfSeller, currency: string, line: number): Promise<void> {
  await run(db, noteChanged(`(${CHANGED})`), [list.id, list.sellerId, currency, BANDS, line]);
}

/** Offers of the seller on the market that a list does not name. */
const GONE = `from offer where seller_id = $2 and seller_part is not null and withdrawn_at is null
  and not exists (select from price_list_row as row where list_id = $1 and row.offer_id = offer.id)`;

/** Counts the offers that a list no longer names. */
export async function countGone(db: Queryable, list: OfSeller): Promise<void> {
  const statement = `update price_list set gone = (select count(*) ${GONE}) where id = $1`;
  await overList(db, statement, [list.id, list.sellerId]);
}

/** Takes offers that the list no longer names off the market, noting how they stood; before the list adds any. */
export async function withdrawGone(db: Queryable, list: OfSeller): Promise<number> {
  const statement = `with gone as materialized (select id, stock ${GONE}), noted as (
      insert into price_list_change (list_id, offer_id, added, withdrawn, stock) select $1, id, false, false, stock from gone
    )
    update offer set withdrawn_at = now() from gone where offer.id = gone.id`;
  return overList(db, statement, [list.id, list.sellerId]);
}

/** How many rows are in each review group. */
export async function countGroups(db: Queryable, listId: number): Promise<Record<ReviewGroup, number>> {
  const counted = await many<{ group: ReviewGroup; rows: number }>(
    db,
    'select review_group as "group", count(*) as rows from price_list_row where list_id = $1 group by review_group',
    [listId],
  );
  const of = new Map(counted.map(({ group, rows }) => [group, rows]));
  return Object.fromEntries(REVIEW_GROUPS.map((group) => [group, of.get(group) ?? 0])) as Record<ReviewGroup, number>;
}

const SHOWN = `select line, sku, title, modules, printed_cents as "printedCents", currency, cost_cents as "costCents",
    coalesce(doubts, '{}') as doubts, fate, suspicion, from_cents as "fromCents", by_cost as "byCost" from price_list_row`;

/** Rows of a review group after a line, in the order of the file. */
export async function listGroup(
  db: Queryable,
  listId: number,
  group: ReviewGroup,
  after: number,
  most: number,
): Promise<ShownRow[]> {
  return many<ShownRow & Record<string, unknown>>(
    db,
    `${SHOWN} where list_id = $1 and review_group = $2 and line > $3 order by line limit $4`,
    [listId, group, after, most],
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

export async function setRow(
  db: Queryable,
  listId: number,
  { row, specId, costCents, steps }: MendedRow,
): Promise<void> {
  const spec = specId === null ? null : await specNumber(db, listId, specId);
  await run(
    db,
    `update price_list_row set modules = $3, spec = $4, printed_cents = $5, cost_cents = $6, steps = $7, doubts = $8,
       origin = $9, used = $10
     where list_id = $1 and line = $2`,
    [
      listId,
      row.line,
      row.modules,
      spec,
      row.printedCents,
      costCents,
      steps == null ? null : JSON.stringify(steps),
      row.doubts.length === 0 ? null : row.doubts,
      row.origin,
      row.used,
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
