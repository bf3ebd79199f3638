import { makerKey } from '../../core/maker-key';
import type { Origin } from '../../core/planning/model/lanes';
import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';

/** What originals are said to be for and nobody has bound, each once. */
export async function listUnboundOriginals(db: Queryable, most: number): Promise<{ maker: string; said: string }[]> {
  return many<{ maker: string; said: string }>(
    db,
    `select distinct coalesce(original_of, '') as maker, said from offer_unbound join offer on offer.id = offer_id
     where withdrawn_at is null order by 1, 2 limit $1`,
    [most],
  );
}

const SAYING = `offer.withdrawn_at is null and offer.origin = 'original' and coalesce(offer.original_of, '') = $1
  and unbound.said = $2`;

/** Binds all originals of which a maker's machine is said to one model; returns how many. */
export async function bindSaid(
  db: Queryable,
  { maker, said, modelId }: { maker: string; said: string; modelId: number },
): Promise<number> {
  const of = await maybeOne<{ maker: string }>(db, 'select maker from model where id = $1', [modelId]);
  const bound = await run(
    db,
    `insert into offer_model (offer_id, model_id)
     select offer.id, $3::integer from offer_unbound as unbound join offer on offer.id = offer_id where ${SAYING} on conflict do nothing`,
    [maker, said, modelId],
  );
  // Of whom it is nobody said: of the maker of the machine that it is for.
  if (maker === '' && of !== null && makerKey(of.maker) !== '')
    await run(
      db,
      `update offer set original_of = $3, original_key = $4
       from offer_unbound as unbound where unbound.offer_id = offer.id and ${SAYING}`,
      [maker, said, of.maker, makerKey(of.maker)],
    );
  await forgetSaid(db, { maker: maker === '' ? (of?.maker ?? '') : maker, said });
  return bound;
}

/** What is said of no machine that we shall ever know is asked no more. */
export async function forgetSaid(db: Queryable, { maker, said }: { maker: string; said: string }): Promise<number> {
  return run(db, `delete from offer_unbound as unbound using offer where offer.id = offer_id and ${SAYING}`, [
    maker,
    said,
  ]);
}

/** A stated model that waits for a model, with how many offers have it and one of them. */
export interface WaitingOriginal {
  maker: string;
  said: string;
  offers: number;
  title: string;
  seller: string | null;
}

/** Stated models that wait to be settled, those of most offers first. */
export async function listWaiting(db: Queryable, most: number): Promise<WaitingOriginal[]> {
  return many<WaitingOriginal & Record<string, unknown>>(
    db,
    `select coalesce(original_of, '') as maker, said, count(*) as offers, min(title) as title, min(seller.name) as seller
     from offer_unbound join offer on offer.id = offer_id left join seller on seller.id = seller_id
     where withdrawn_at is null group by 1, 2 order by count(*) desc, 1, 2 limit $1`,
    [most],
  );
}

/** An original that is bound to no model and says none: it can be in no plan. */
export interface LooseOriginal {
  id: number;
  title: string;
  maker: string;
  seller: string | null;
}

/** Originals without any model, neither bound nor said, and not of a maker's whole range. */
export async function listLooseOriginals(db: Queryable, most: number): Promise<LooseOriginal[]> {
  return many<LooseOriginal & Record<string, unknown>>(
    db,
    `select offer.id, title, coalesce(original_of, '') as maker, seller.name as seller
     from offer left join seller on seller.id = seller_id
     where origin = 'original' and withdrawn_at is null and not every_model
       and not exists (select from offer_model where offer_id = offer.id)
       and not exists (select from offer_unbound where offer_id = offer.id)
     order by offer.id desc limit $1`,
    [most],
  );
}

/** How an offer's origin stands. */
export interface OfferOrigin {
  id: number;
  origin: Origin;
  originalOf: string | null;
  originalKey: string | null;
  everyModel: boolean;
  modelIds: number[];
  /** machines that it is said to be for and that nobody has bound */
  unbound: string[];
}

/** How the origins of some offers of sellers stand, locked against a second change. */
export async function lockOrigins(db: Queryable, ids: readonly number[]): Promise<OfferOrigin[]> {
  return many<OfferOrigin & Record<string, unknown>>(
    db,
    `select id, origin, original_of as "originalOf", original_key as "originalKey", every_model as "everyModel",
       array(select model_id from offer_model where offer_id = offer.id order by 1) as "modelIds",
       array(select said from offer_unbound where offer_id = offer.id order by 1) as unbound
     from offer where id = any($1) and seller_id is not null and withdrawn_at is null order by id for update`,
    [[...ids]],
  );
}

/** Lots of offers that are nobody's original, so that they are planned with. */
async function noteLotsFor(db: Queryable, ids: readonly number[]): Promise<void> {
  await run(
    db,
    `insert into offer_lot select distinct spec_id, modules, origin from offer where id = any($1) and not for_models
     on conflict do nothing`,
    [[...ids]],
  );
}

/** Says of some offers where they come from, all the same. */
export async function setOrigins(
  db: Queryable,
  ids: readonly number[],
  to: Pick<OfferOrigin, 'origin' | 'everyModel' | 'modelIds'> & { originalOf: string; originalKey: string },
): Promise<void> {
  const isOriginal = to.origin === 'original';
  await run(
    db,
    `update offer set origin = $2, original_of = $3, original_key = $4, every_model = $5, for_models = $6
     where id = any($1)`,
    [
      [...ids],
      to.origin,
      isOriginal ? to.originalOf : null,
      isOriginal ? to.originalKey : null,
      isOriginal && to.everyModel,
      isOriginal,
    ],
  );
  await run(db, 'delete from offer_model where offer_id = any($1)', [[...ids]]);
  await run(db, 'delete from offer_unbound where offer_id = any($1)', [[...ids]]);
  if (isOriginal && !to.everyModel)
    await run(
      db,
      `insert into offer_model (offer_id, model_id)
       select offer, model.id from unnest($1::integer[]) as offer cross join model where model.id = any($2::integer[])`,
      [[...ids], to.modelIds],
    );
  await noteLotsFor(db, ids);
}

/** Puts back how the origins of some offers stood. */
export async function restoreOrigins(db: Queryable, before: readonly OfferOrigin[]): Promise<number> {
  const ids = before.map(({ id }) => id);
  const told = `jsonb_to_recordset($1::jsonb) as told (id integer, origin text, "originalOf" text, "originalKey" text,
    "everyModel" boolean, "modelIds" integer[], unbound text[])`;
  const values = [JSON.stringify(before)];
  const changed = await run(
    db,
    `update offer set origin = told.origin, original_of = told."originalOf", original_key = told."originalKey",
       every_model = told."everyModel", for_models = told.origin = 'original'
     from ${told} where offer.id = told.id`,
    values,
  );
  await run(db, 'delete from offer_model where offer_id = any($1)', [ids]);
  await run(
    db,
    `insert into offer_model (offer_id, model_id)
     select told.id, model.id from ${told} join model on model.id = any(told."modelIds")`,
    values,
  );
  await run(db, 'delete from offer_unbound where offer_id = any($1)', [ids]);
  await run(
    db,
    `insert into offer_unbound (offer_id, said) select told.id, said from ${told} cross join unnest(told.unbound) as said`,
    values,
  );
  await noteLotsFor(db, ids);
  return changed;
}
