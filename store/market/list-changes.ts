import { isAcceptable, SUSPICIONS } from '../../core/price-list/compare-list';
import { many, one, run } from '../database';
import type { Queryable } from '../queryable';

/** What a list did to offers. */
export interface AppliedChanges {
  added: number;
  priced: number;
}

/** Which suspicious rows count after all. */
export interface AcceptedRows {
  lines: readonly number[];
  /** kinds of suspicion that are all right */
  suspicions: readonly string[];
}

/** Does a row count: nothing doubtful in it, a price that can be counted, nothing suspicious that nobody accepted? */
const COUNTS = `row.list_id = $1 and row.line > $2 and row.line <= $3 and row.fate <> 'doubtful' and row.cost_cents is not null
  and row.spec is not null
  and (row.suspicion is null or row.suspicion = any($4) and (row.line = any($5) or row.suspicion = any($6)))`;

const ACCEPTABLE = SUSPICIONS.filter(isAcceptable);

/** What an offer's history says of the price; `$7` is the list's name, `$8` when it is applied. */
const CAME_FROM = `left('price list ' || $7::text, 120)`;

/** Where a row's part comes from; what nobody says is somebody else's part. */
const ORIGIN = `coalesce(origin, case when used then 'used' else 'third-party' end)`;
/** A maker's part whose row names no machine is for all of that maker. */
const EVERY_MODEL = `coalesce(origin = 'original' and original_key is not null and made_for is null, false)`;

/** Puts the new ones among some lines on the market. */
const ADD = `
  with fresh as materialized (
    select nextval('offer_id_seq')::integer as id, nextval('offer_price_id_seq') as price_id, sorted.* from (
      select row.*, spec.id as spec_id, spec.family_id, spec.capacity_mib * row.modules as unit_mib
      from price_list_row as row join price_list_spec as named on named.list_id = $1 and nr = row.spec
        join module_spec as spec on spec.id = named.spec_id
      where ${COUNTS} and row.offer_id is null
      -- neighbours in the indexes one after the other
      order by spec.family_id, cost_cents
    ) as sorted
  ), added as (
    insert into offer (id, seller_id, seller_part, title, origin, modules, spec_id, family_id, unit_mib, maker, part, stock,
      price_id, cost_cents, priced_at, original_of, original_key, every_model, for_models) overriding system value
    select id, $9::integer, sku, title, ${ORIGIN}, modules, spec_id, family_id, unit_mib, maker,
      part, stock, price_id, cost_cents, $8::timestamptz, original_of, original_key, ${EVERY_MODEL},
      coalesce(origin = 'original', false) from fresh
  ), noted as (
    insert into price_list_change (list_id, offer_id, added, withdrawn) select $1, id, true, false from fresh
  )
  insert into offer_price (id, offer_id, cost_cents, came_from, at, printed_cents, units, steps) overriding system value
  select price_id, id, cost_cents, ${CAME_FROM}, $8::timestamptz, printed_cents, 1, steps from fresh`;

/** Prices the known ones among some lines again, and brings back those that had left the market. */
const PRICE = `
  with known as materialized (
    select row.line, offer.id, row.cost_cents, row.printed_cents, row.steps, row.stock, offer.price_id as before,
      offer.stock as stock_before, withdrawn_at is not null as was_gone, row.origin, row.original_of, row.original_key, row.made_for,
      row.origin is not null and (offer.origin, offer.original_key, offer.every_model)
        is distinct from (row.origin, row.original_key, coalesce(row.origin = 'original' and row.original_key is not null
          and row.made_for is null, false)) as turned,
      jsonb_build_object('origin', offer.origin, 'of', offer.original_of, 'key', offer.original_key, 'every', offer.every_model)
        as origin_before,
      (offer.cost_cents, price.printed_cents) is distinct from (row.cost_cents, row.printed_cents) as moved
    from (
      select * from price_list_row as row where ${COUNTS} and row.offer_id is not null offset 0
    ) as row join offer on offer.id = row.offer_id left join offer_price as price on price.id = price_id
  ), changed as materialized (
    select * from known where moved or was_gone or turned or stock is distinct from stock_before
  ), noted as (
    insert into price_list_change (list_id, offer_id, added, withdrawn, stock, price_id, origin_before)
    select $1, id, false, was_gone, stock_before, case when moved then before end, case when turned then origin_before end
    from changed
  ), priced as (
    insert into offer_price (offer_id, cost_cents, came_from, at, printed_cents, units, steps)
    select id, cost_cents, ${CAME_FROM}, $8::timestamptz, printed_cents, 1, steps from changed where moved
  ), put as (
    update offer set withdrawn_at = null, stock = changed.stock,
      origin = case when turned then changed.origin else offer.origin end,
      original_of = case when turned then changed.original_of else offer.original_of end,
      original_key = case when turned then changed.original_key else offer.original_key end,
      every_model = case when turned then changed.origin = 'original' and changed.original_key is not null
        and changed.made_for is null else offer.every_model end,
      for_models = case when turned then changed.origin = 'original' else offer.for_models end
    from changed where offer.id = changed.id and (was_gone or turned or changed.stock is distinct from stock_before)
  )
  select count(*) filter (where moved or was_gone) as priced from changed`;

/** Applies the lines after `from` up to `to`. They were compared within this transaction. */
export async function applyLines(
  db: Queryable,
  list: { id: number; sellerId: number; name: string },
  lines: { from: number; to: number },
  accepted: AcceptedRows,
): Promise<AppliedChanges> {
  await run(db, "set local work_mem = '64MB'");
  // The text, since a Date has no microseconds: another price of the same millisecond may not come after this one.
  const { at } = await one<{ at: string }>(db, 'select clock_timestamp()::text as at');
  const values = [
    ...[list.id, lines.from, lines.to, ACCEPTABLE, [...accepted.lines], [...accepted.suspicions]],
    ...[list.name, at],
  ];
  const { priced } = await one<{ priced: number }>(db, PRICE, values);
  // Each new offer has its price already when its history begins.
  await run(db, "set local fenbrik.prices_are_put = 'yes'");
  const added = await run(db, ADD, [...values, list.sellerId]);
  await run(db, "set local fenbrik.prices_are_put = 'no'");
  return { added, priced };
}

/** What an applied list says its originals are made for, each once with whom it is of. Machines as written. */
export async function listSaidModels(
  db: Queryable,
  listId: number,
  most: number,
): Promise<{ maker: string; said: string }[]> {
  return many<{ maker: string; said: string }>(
    db,
    `select distinct coalesce(row.original_of, '') as maker, said from price_list_row as row
     cross join unnest(made_for) as said where list_id = $1 and origin = 'original' and made_for is not null
     order by 1, 2 limit $2`,
    [listId, most],
  );
}

/** Binds an applied list's originals: each to the models that a stated model is, or keeps the saying to be settled. */
export async function bindListed(
  db: Queryable,
  list: { id: number; sellerId: number },
  bound: readonly { maker: string; said: string; modelId: number | null }[],
): Promise<void> {
  const offers = `select offer.id, coalesce(row.original_of, '') as maker, said from price_list_row as row
    cross join unnest(made_for) as said
    join offer on offer.seller_id = $3 and lower(offer.seller_part) = lower(row.sku)
    where row.list_id = $2 and row.origin = 'original' and row.made_for is not null and offer.origin = 'original'
      and offer.withdrawn_at is null`;
  const values = [JSON.stringify(bound), list.id, list.sellerId];
  const told = `jsonb_to_recordset($1::jsonb) as told (maker text, said text, "modelId" integer)`;
  await run(
    db,
    `insert into offer_model (offer_id, model_id)
     select offers.id, told."modelId" from (${offers}) as offers join ${told} using (maker, said)
     where told."modelId" is not null on conflict do nothing`,
    values,
  );
  await run(
    db,
    `insert into offer_unbound (offer_id, said)
     select offers.id, left(offers.said, 80) from (${offers}) as offers left join ${told} using (maker, said)
     where told."modelId" is null on conflict do nothing`,
    values,
  );
}

/** Kinds and sizes that became somebody else's parts again are planned with again. */
export async function noteLotsOf(db: Queryable, sellerId: number): Promise<void> {
  await run(
    db,
    `insert into offer_lot select distinct spec_id, modules, origin from offer where seller_id = $1 and not for_models
     on conflict do nothing`,
    [sellerId],
  );
}

/** Counts the rows that a list left as they were. */
export async function countLeft(db: Queryable, listId: number, accepted: AcceptedRows): Promise<number> {
  return (
    await one<{ left: number }>(
      db,
      `select count(*) as left from price_list_row where list_id = $1 and not (fate <> 'doubtful' and cost_cents is not null
         and spec is not null and (suspicion is null or suspicion = any($2) and (line = any($3) or suspicion = any($4))))`,
      [listId, ACCEPTABLE, [...accepted.lines], [...accepted.suspicions]],
    )
  ).left;
}

/** Puts back the offers that a list changed, up to `most` of them after an id; what it added leaves the market. */
export async function undoChanges(
  db: Queryable,
  list: { id: number; name: string },
  after: number,
  most: number,
): Promise<{ changed: number; last: number }> {
  return one<{ changed: number; last: number }>(
    db,
    `with part as materialized (
       select * from price_list_change where list_id = $1 and offer_id > $2 order by offer_id limit $3
     ), priced as (
       insert into offer_price (offer_id, cost_cents, came_from, at, printed_cents, coupon, units, steps)
       select part.offer_id, cost_cents, left('undo of ' || $4::text, 120), clock_timestamp(), printed_cents, coupon, units, steps
       from part join offer_price as before on before.id = part.price_id
     ), put as (
       update offer set withdrawn_at = case when added or withdrawn then now() end, stock = case when added then offer.stock else part.stock end,
         origin = case when turned then origin_before ->> 'origin' else origin end,
         original_of = case when turned then origin_before ->> 'of' else original_of end,
         original_key = case when turned then origin_before ->> 'key' else original_key end,
         every_model = case when turned then (origin_before ->> 'every')::boolean else every_model end,
         for_models = case when turned then origin_before ->> 'origin' = 'original' else for_models end
       from (select *, origin_before is not null as turned from part) as part where offer.id = part.offer_id
     )
     select count(*) as changed, coalesce(max(offer_id), 0) as last from part`,
    [list.id, after, most, list.name],
  );
}
