import type { MemoryModule } from '../core/memory/module';
import type { Origin } from '../core/planning/lanes';
import type { PriceStep } from '../core/pricing/counted-price';
import type { Coupon } from '../core/pricing/seller-terms';
import { many, maybeOne, one, type Queryable, run } from './database';

export interface StoredOffer {
  id: number;
  title: string;
  origin: Origin;
  modules: number;
  module: MemoryModule;
  stock: number | null;
  sellerId: number | null;
  sellerName: string | null;
  leadDays: number | null;
  /** what the shop pays for one unit, without tax */
  costCents: number;
  pricedAt: Date;
}

/** Columns of an offer as it stands. */
export const OFFER_COLUMNS = `select offer.id, title, origin, offer.modules,
    spec.module || jsonb_strip_nulls(jsonb_build_object('maker', maker, 'part', part)) as module, stock,
    seller.name as "sellerName", lead_days as "leadDays", cost_cents as "costCents", priced_at as "pricedAt",
    offer.seller_id as "sellerId"
  from offer join module_spec as spec on spec.id = spec_id left join seller on seller.id = offer.seller_id`;

/** Few ratings say little: each is held as if five of 3 stars stood beside them. */
export const RATING = '(coalesce(rating * rating_count, 0) + 300 * 5.0) / (coalesce(rating_count, 0) + 5)';

/** What a machine's sockets take, as far as it is known, and how many of them there are. */
export interface SocketWish {
  generations: readonly string[];
  form: string;
  /** null: nobody knows, so of every kind */
  kinds: readonly { buffering: string; ecc: boolean }[] | null;
  /** largest module; null: nobody knows */
  mostMiB: number | null;
  modelId: number | null;
  sockets: number;
  /** the job whose own offers count too */
  jobId: number | null;
  /** offers that were chosen for the job: they come whatever else there is */
  chosen?: readonly number[];
  /** sellers that are not wanted, by name: what others ask for the same comes beside theirs */
  sellersOut?: readonly string[];
}

/** The shop's own shelf, as sellers are named. */
export const SHELF_NAME = 'our shelf';

/** So many of a lot are read before it is asked whether they suffice; all that are as dear as the last of them too. */
const FIRST = 2;

/** Offers of a lot that can be bought, cheapest first; all of it stands in the index. */
const ofLot = (condition: string): string => `select id, stock, cost_cents, seller_id from offer
  where spec_id = lot.spec_id and modules = lot.modules and origin = lot.origin and withdrawn_at is null
    and cost_cents is not null and not for_models and job_id is null and stock is distinct from 0${condition}
  order by cost_cents`;

/** `$9`: names of sellers that are not wanted. */
const WANTED_SELLER = ` and case when seller_id is null then '${SHELF_NAME}' <> all($9)
    else seller_id <> all(array(select id from seller where name = any($9))) end`;

/** Modules that the offers before each hold together, the cheapest first and of equally dear ones the better seller's. */
const BEFORE = `coalesce(sum(coalesce(cheap.stock, $6) * lot.modules) over (
  partition by lot.spec_id, lot.modules, lot.origin
  order by cheap.cost_cents, coalesce(ranked.rank, 0), cheap.id rows between unbounded preceding and 1 preceding), 0)`;

/** Pieces of the shelf that are promised to a job, of an offer that is the shelf's. */
const heldForJob = (job: string): string => `case when seller_id is not null then 0 else (
    select count(*)::integer from shelf_piece where offer_id = offer.id and job_id = ${job} and gone_at is null
      and held_until >= (select (now() at time zone time_zone)::date from shop)
  ) end`;

/** What is taken of each lot, as two names and what they stand for. */
const takenOfLots = (first: string, taken: string, condition: string): string => `${first} as materialized (
    select lot.spec_id, lot.modules, lot.origin, cheap.id, ${BEFORE} as before,
      coalesce(cheap.stock, $6) * lot.modules as held
    from fit join offer_lot as lot on lot.spec_id = fit.id
    cross join lateral (${ofLot(condition)} fetch first ${FIRST} rows with ties) as cheap
    left join ranked on ranked.id = cheap.seller_id
    where lot.modules <= $6
  ), ${taken} as (
    select id from ${first} where before < $6
    union all
    select counted.id from (
      select cheap.id, ${BEFORE} as before
      from (
        select spec_id, modules, origin from ${first} group by 1, 2, 3 having count(*) >= ${FIRST} and sum(held) < $6
      ) as lot
      cross join lateral (${ofLot(condition)} fetch first ($6) rows with ties) as cheap
      left join ranked on ranked.id = cheap.seller_id
    ) as counted where before < $6
  )`;

/**
 * Query of {@link listOffersFor}, so that its plan can be looked at. Of each lot (equal modules, equally many in a pack, of
 * equal origin) only the cheapest are taken that fill every socket together: a dearer one could not be in any better plan.
 * Nearly always the first few suffice, so only few lots are read further. `$6`: sockets.
 *
 * @param isNarrowed the same is taken once more of what wanted sellers ask
 */
export const offersForPlanning = (isNarrowed: boolean): string => `with fit as materialized (
    select spec.id from module_spec as spec join module_family as family on family.id = family_id
    where generation = any($1) and form = $2 and ($3::text[] is null or buffering || ' ' || ecc = any($3))
      and ($4::bigint is null or capacity_mib <= $4)
  ), ranked as materialized (
    select id, row_number() over (order by trust = 'marketplace', lead_days, ${RATING} desc, id) as rank from seller
  ), ${takenOfLots('first', 'taken', '')}${isNarrowed ? `, ${takenOfLots('first_wanted', 'taken_wanted', WANTED_SELLER)}` : ''},
  near as (
    select id from taken
    ${isNarrowed ? 'union all select id from taken_wanted' : ''}
    union all
    select offer.id from offer_model join offer on offer.id = offer_id
    where model_id = $5 and withdrawn_at is null and cost_cents is not null and stock is distinct from 0
      and spec_id in (select id from fit)
    union all
    select offer_id from shelf_piece where job_id = $7 and gone_at is null
      and exists (select from offer where id = offer_id and spec_id in (select id from fit))
    union all
    select id from offer where job_id = $7 and withdrawn_at is null and cost_cents is not null
      and stock is distinct from 0 and spec_id in (select id from fit)
    union all
    select id from offer where id = any($8) and withdrawn_at is null and cost_cents is not null
      and spec_id in (select id from fit)
  )
  select offer.id, title, origin, modules, spec_id as "specId", maker, part, seller.name as "sellerName",
    lead_days as "leadDays", cost_cents as "costCents", priced_at as "pricedAt", seller_id as "sellerId",
    -- what the job itself was promised is free for it
    stock + ${heldForJob('$7')} as stock
  from offer left join seller on seller.id = seller_id left join ranked on ranked.id = seller_id
  where offer.id = any(array(select id from near))
  order by rank nulls first, cost_cents, offer.id`;

type PlanningOffer = Omit<StoredOffer, 'module'> & { specId: number; maker: string | null; part: string | null };

/**
 * What is worth planning with for a machine's sockets, quickest module first, then the seller that is better trusted,
 * sooner here, better rated. A part made for certain models is left out for all others.
 */
export async function listOffersFor(db: Queryable, wish: SocketWish): Promise<StoredOffer[]> {
  const { sellersOut = [] } = wish;
  const isNarrowed = sellersOut.length > 0;
  const offers = await many<PlanningOffer & Record<string, unknown>>(db, offersForPlanning(isNarrowed), [
    [...wish.generations],
    wish.form,
    wish.kinds?.map(({ buffering, ecc }) => `${buffering} ${ecc}`) ?? null,
    wish.mostMiB,
    wish.modelId,
    Math.max(1, Math.min(wish.sockets, MOST_SOCKETS)),
    wish.jobId,
    wish.chosen ?? [],
    ...(isNarrowed ? [sellersOut] : []),
  ]);
  const specs = await many<{ id: number; module: MemoryModule; place: number }>(
    db,
    `select id, module, rank() over (order by latency_ps nulls last) as place from module_spec where id = any($1)`,
    [[...new Set(offers.map(({ specId }) => specId))]],
  );
  const of = new Map(specs.map((spec) => [spec.id, spec]));
  const place = ({ specId }: { specId: number }): number => of.get(specId)?.place ?? 0;
  return offers
    .sort((a, b) => place(a) - place(b))
    .flatMap(({ specId, maker, part, ...offer }) => {
      const module = of.get(specId)?.module;
      if (module === undefined) return [];
      return [{ ...offer, module: { ...module, ...(maker && { maker }), ...(part && { part }) } }];
    });
}

/** A board has at most this many sockets. */
const MOST_SOCKETS = 32;

/** Of what these sockets would hold but this machine does not take: the cheapest of each kind and size, to say why. */
export async function listMisfits(db: Queryable, wish: SocketWish): Promise<StoredOffer[]> {
  return many<StoredOffer & Record<string, unknown>>(
    db,
    `${OFFER_COLUMNS} where offer.id in (
       select distinct on (spec.family_id, capacity_mib) cheap.id
       from module_spec as spec join module_family as family on family.id = spec.family_id
       cross join lateral (
         select id, cost_cents from offer where spec_id = spec.id and withdrawn_at is null and cost_cents is not null
           and not for_models and job_id is null order by cost_cents, id limit 1
       ) as cheap
       where generation = any($1) and form = $2
         and ($3::text[] is not null and buffering || ' ' || ecc <> all($3::text[]) or capacity_mib > $4::bigint)
       order by spec.family_id, capacity_mib, cheap.cost_cents
     ) order by offer.id`,
    [
      [...wish.generations],
      wish.form,
      wish.kinds?.map(({ buffering, ecc }) => `${buffering} ${ecc}`) ?? null,
      wish.mostMiB,
    ],
  );
}

/** What a price was made of: what the seller printed, and every step to the cost. */
export interface PrintedOfferPrice {
  printedCents: number | null;
  coupon: Coupon | null;
  units: number | null;
  steps: PriceStep[] | null;
}

/** A price as it was noted. */
export interface NotedPrice extends PrintedOfferPrice {
  at: Date;
  costCents: number;
  cameFrom: string;
}

/** Prices of an offer that are shown, at most. */
const SHOWN_PRICES = 200;

/** Every price that an offer had, the latest first. */
export async function listPrices(db: Queryable, offerId: number): Promise<NotedPrice[]> {
  return many<NotedPrice & Record<string, unknown>>(
    db,
    `select at, cost_cents as "costCents", came_from as "cameFrom", printed_cents as "printedCents", coupon, units, steps
     from offer_price where offer_id = $1 order by at desc, id desc limit ${SHOWN_PRICES}`,
    [offerId],
  );
}

export async function insertSeller(db: Queryable, seller: { name: string; leadDays: number }): Promise<number> {
  const row = await one<{ id: number }>(db, 'insert into seller (name, lead_days) values ($1, $2) returning id', [
    seller.name,
    seller.leadDays,
  ]);
  return row.id;
}

export interface NewOffer {
  sellerId: number | null;
  sellerPart: string | null;
  title: string;
  origin: Origin;
  modules: number;
  module: MemoryModule;
  stock: number | null;
  note: string;
  modelIds: number[];
  /** the job it is an offer of, and what it was read from; left out: it is everybody's */
  jobId?: number;
  readingId?: number;
}

/** The row of what a module is, but for who made it; made where it is new. */
export async function specOf(db: Queryable, module: MemoryModule): Promise<number> {
  return (await one<{ id: number }>(db, 'select spec_of($1) as id', [module])).id;
}

export async function insertOffer(db: Queryable, offer: NewOffer): Promise<number> {
  const specId = await specOf(db, offer.module);
  const { maker = null, part = null } = offer.module;
  const { id } = await one<{ id: number }>(
    db,
    `insert into offer (seller_id, seller_part, title, origin, modules, spec_id, family_id, unit_mib, maker, part, stock, note, job_id, reading_id)
     select $1::integer, $2, $3, $4, $5::integer, id, family_id, capacity_mib * $5::integer, $7, $8, $9::integer, $10, $11::integer, $12::bigint
     from module_spec where id = $6
     returning id`,
    [
      offer.sellerId,
      offer.sellerPart,
      offer.title,
      offer.origin,
      offer.modules,
      specId,
      maker,
      part,
      offer.stock,
      offer.note,
      offer.jobId ?? null,
      offer.readingId ?? null,
    ],
  );
  // What stands on our shelf is pieces; those that are put there one by one begin with none.
  if (offer.sellerId === null && (offer.stock ?? 0) > 0) {
    await run(
      db,
      "insert into shelf_piece (offer_id, test, grade) select $1, 'tested', 'B' from generate_series(1, $2::integer)",
      [id, offer.stock],
    );
  }
  for (const modelId of offer.modelIds) {
    await run(db, 'insert into offer_model (offer_id, model_id) values ($1, $2)', [id, modelId]);
  }
  return id;
}

/** Notes a price from now on, or from `at`; earlier ones stay. */
export async function insertPrice(
  db: Queryable,
  offerId: number,
  costCents: number,
  cameFrom: string,
  at: Date | null = null,
  printed: PrintedOfferPrice | null = null,
): Promise<void> {
  await run(
    db,
    `insert into offer_price (offer_id, cost_cents, came_from, at, printed_cents, coupon, units, steps)
     values ($1, $2, $3, coalesce($4, clock_timestamp()), $5, $6, $7, $8)`,
    [
      offerId,
      costCents,
      cameFrom,
      at,
      printed?.printedCents ?? null,
      printed?.coupon ?? null,
      printed?.units ?? null,
      printed?.steps == null ? null : JSON.stringify(printed.steps),
    ],
  );
}

/** Notes many prices from now on. */
export async function insertPrices(
  db: Queryable,
  prices: readonly (Omit<NotedPrice, 'at'> & { offerId: number })[],
): Promise<void> {
  if (prices.length === 0) return;
  await run(
    db,
    `insert into offer_price (offer_id, cost_cents, came_from, at, printed_cents, coupon, units, steps)
     select "offerId", "costCents", "cameFrom", clock_timestamp(), "printedCents", nullif(coupon, 'null'), units, steps
     from jsonb_to_recordset($1::jsonb) as fresh ("offerId" integer, "costCents" integer, "cameFrom" text, "printedCents" integer,
       coupon jsonb, units integer, steps jsonb)`,
    [JSON.stringify(prices)],
  );
}

/** An offer on the market with its price of now, locked against a second change. */
export async function lockOffer(
  db: Queryable,
  id: number,
): Promise<{ id: number; costCents: number; modules: number; sellerId: number | null } | null> {
  return maybeOne<{ id: number; costCents: number; modules: number; sellerId: number | null }>(
    db,
    `select id, modules, seller_id as "sellerId", cost_cents as "costCents" from offer
     where id = $1 and withdrawn_at is null and cost_cents is not null for update`,
    [id],
  );
}

export interface FeedTarget {
  id: number;
  modules: number;
  costCents: number;
  stock: number | null;
}

/** The offer that a seller calls by this part number. */
export async function findBySellerPart(db: Queryable, sellerId: number, part: string): Promise<FeedTarget | null> {
  return maybeOne<FeedTarget & Record<string, unknown>>(
    db,
    `select id, modules, stock, cost_cents as "costCents" from offer where cost_cents is not null and seller_id = $1 and seller_part = $2 and withdrawn_at is null for update`,
    [sellerId, part],
  );
}

/** Takes the offer that a reading made off the market, or puts it back. */
export async function withdrawOfferOfReading(db: Queryable, readingId: number, withdrawn: boolean): Promise<void> {
  await run(db, 'update offer set withdrawn_at = case when $2 then now() end where reading_id = $1', [
    readingId,
    withdrawn,
  ]);
}

export async function setStock(db: Queryable, offerId: number, stock: number | null): Promise<void> {
  await run(db, 'update offer set stock = $2 where id = $1', [offerId, stock]);
}

/** How an offer stands: what one unit costs, how many there are for a job. */
export interface OfferStand {
  id: number;
  title: string;
  costCents: number | null;
  stock: number | null;
  withdrawn: boolean;
}

/** How some offers stand for a job: what was promised to it from the shelf is there for it. */
export async function listStands(db: Queryable, ids: readonly number[], jobId: number): Promise<OfferStand[]> {
  return many<OfferStand & Record<string, unknown>>(
    db,
    `select id, title, cost_cents as "costCents", withdrawn_at is not null as withdrawn, stock + ${heldForJob('$2')} as stock
     from offer where id = any($1)`,
    [[...ids], jobId],
  );
}
