import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';
import type { Model } from './models';

/** Waits until nobody else adds to or renames in the library, and keeps it so until the transaction ends. */
export async function lockLibrary(db: Queryable): Promise<void> {
  await run(db, "select pg_advisory_xact_lock(hashtext('library of models'))");
}

/** The model of exactly this maker, name and first year, whatever the case; locked until the transaction ends. */
export async function findSameModel(
  db: Queryable,
  { maker, name, yearFrom }: Pick<Model, 'maker' | 'name' | 'yearFrom'>,
): Promise<number | null> {
  const row = await maybeOne<{ id: number }>(
    db,
    `select id from model where lower(maker) = lower($1) and lower(name) = lower($2) and year_from = $3
     order by id limit 1 for update`,
    [maker, name, yearFrom],
  );
  return row?.id ?? null;
}

/** Everything that points at one model points at another from now on, and the first is gone. */
export async function repointModel(db: Queryable, from: number, to: number): Promise<void> {
  await run(db, 'update job set model_id = $2 where model_id = $1', [from, to]);
  await run(db, 'update trial set model_id = $2 where model_id = $1', [from, to]);
  await run(db, 'update model_photo set model_id = $2 where model_id = $1', [from, to]);
  await run(
    db,
    `insert into offer_model (offer_id, model_id) select offer_id, $2 from offer_model where model_id = $1
     on conflict do nothing`,
    [from, to],
  );
  await run(db, 'delete from model where id = $1', [from]);
}

export interface LikelyTwins {
  a: number;
  b: number;
  nameA: string;
  nameB: string;
  yearA: number;
  yearB: number;
  /** what both have: an identifier, or the name */
  shares: string;
}

/** Pairs of models that may be one: a common identifier, or the same name but for case and blanks in years that meet. */
export const LIKELY_TWINS = `
with identified as (
  select model.id, lower(regexp_replace(identifier, '[^[:alnum:]]+', '', 'g')) as key, identifier
  from model, unnest(model_ids || product_strings) as identifier
  union all
  select id, 'name ' || lower(regexp_replace(maker || name, '[^[:alnum:]]+', '', 'g')), maker || ' ' || name from model
), pair as (
  select a.id as a, b.id as b, min(a.identifier) as shares
  from identified as a join identified as b on a.key = b.key and a.id < b.id
  where length(a.key) > 3 group by a.id, b.id
)
select pair.a, pair.b, shares, one.maker || ' ' || one.name as "nameA", two.maker || ' ' || two.name as "nameB",
  one.year_from as "yearA", two.year_from as "yearB"
from pair join model as one on one.id = a join model as two on two.id = b
where one.year_from <= coalesce(two.year_to, 2100) and two.year_from <= coalesce(one.year_to, 2100)
order by a, b limit 100`;

export async function listLikelyTwins(db: Queryable): Promise<LikelyTwins[]> {
  return many<LikelyTwins & Record<string, unknown>>(db, LIKELY_TWINS);
}
