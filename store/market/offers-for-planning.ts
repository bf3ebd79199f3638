import { STOCK_NAME } from '../../core/market/stock-name';
import type { MemoryModule } from '../../core/memory/module';
import type { OfferFilters } from '../../core/planning/filters/offer-filters';
import { many } from '../database';
import type { Queryable } from '../queryable';
import { OFFER_COLUMNS, RATING, type StoredOffer } from './offers';

/** Pieces of the shelf that are promised to a job, of an offer that is the shelf's. */
const heldForJob = (job: string): string => `case when seller_id is not null then 0 else (
    select count(*)::integer from shelf_piece where offer_id = offer.id and job_id = ${job} and gone_at is null
      and held_until >= (select (now() at time zone time_zone)::date from shop)
  ) end`;

/** What a machine's sockets take, as far as it is known, and how many of them there are. */
export interface SocketWish {
  generations: readonly string[];
  form: string;
  /** null: nobody knows, so of every kind */
  kinds: readonly { buffering: string; ecc: boolean }[] | null;
  /** largest module; null: nobody knows */
  mostMiB: number | null;
  modelId: number | null;
  /** the machine's maker as makers are compared; empty or left out: nobody knows */
  makerKey?: string;
  sockets: number;
  /** the job whose own offers count too */
  jobId: number | null;
  /** offers that were chosen for the job: they come whatever else there is */
  chosen?: readonly number[];
  /** which offers are wanted: the cheapest of those come beside the cheapest of all */
  wanted?: OfferFilters;
  /** days until it is needed; null or left out: no day is named */
  inDays?: number | null;
}

/**
 * So many of a lot are read before it is asked whether they suffice; all that are as dear as the last of them too. Nearly any
 * seller has enough of a part for few sockets, but not for many.
 */
const firstFor = (sockets: number): number => (sockets <= 8 ? 1 : 4);

/** Offers of a lot that can be bought, cheapest first; all of it stands in the index. */
const ofLot = (condition: string): string => `select id, stock, cost_cents, seller_id from offer
  where spec_id = lot.spec_id and modules = lot.modules and origin = lot.origin and withdrawn_at is null
    and cost_cents is not null and not for_models and job_id is null and stock is distinct from 0${condition}
  order by cost_cents`;

/** What a lot and an offer have to be to be wanted. */
interface Narrowing {
  /** which conditions these are, a letter each */
  name: string;
  /** on the specification of a lot, `fit` */
  spec: string;
  /** on an offer */
  offer: string;
  /** of `$10` and on */
  values: readonly unknown[];
}

/** Everything is wanted. */
const UNNARROWED: Narrowing = { name: '', spec: '', offer: '', values: [] };

/** Conditions on an offer that is wanted, each with the place of its value. What is in the house comes at once and needs no stars. */
const OFFER_CONDITIONS = {
  s: (at: string) => `case when seller_id is null then '${STOCK_NAME}' <> all(${at})
    else seller_id <> all(array(select id from seller where name = any(${at}))) end`,
  m: (at: string) => `lower(maker) = any(${at})`,
  n: () => 'stock > 0',
  r: (at: string) => `(seller_id is null or case when offer.rating is not null then offer.rating >= ${at}
    else seller_id = any(array(select id from seller where rating >= ${at})) end)`,
  t: (at: string) => `(seller_id is null or case when lead_days is not null then lead_days <= ${at}
    else seller_id = any(array(select id from seller where seller.lead_days <= ${at})) end)`,
} as const;

/** What narrows the offers down; null: nothing does. */
export function narrowingOf(wanted: OfferFilters, inDays: number | null): Narrowing | null {
  const { sellersOut, makers, mostCas, mostHeightMm, leastRating, inStock, inTime } = wanted;
  const values: unknown[] = [];
  const placed = (value: unknown): string => `$${values.push(value) + 9}`;
  const byOffer: [keyof typeof OFFER_CONDITIONS, string][] = [];
  if (sellersOut.length > 0) byOffer.push(['s', OFFER_CONDITIONS.s(`${placed(sellersOut)}::text[]`)]);
  if (makers.length > 0) {
    const names = makers.map((maker) => maker.trim().toLowerCase());
    byOffer.push(['m', OFFER_CONDITIONS.m(`${placed(names)}::text[]`)]);
  }
  if (inStock) byOffer.push(['n', OFFER_CONDITIONS.n()]);
  if (leastRating !== null) byOffer.push(['r', OFFER_CONDITIONS.r(`${placed(leastRating)}::int`)]);
  if (inTime && inDays !== null) byOffer.push(['t', OFFER_CONDITIONS.t(`${placed(Math.max(0, inDays))}::int`)]);
  const bySpec = [...(mostCas === null ? [] : ['c']), ...(mostHeightMm === null ? [] : ['h'])];
  const spec = [
    ...(mostCas === null ? [] : [` and fit.cas <= ${placed(mostCas)}::numeric`]),
    ...(mostHeightMm === null ? [] : [` and fit.height_mm <= ${placed(mostHeightMm)}::numeric`]),
  ].join('');
  const name = [...byOffer.map(([letter]) => letter), ...bySpec].join('');
  return name === '' ? null : { name, spec, offer: byOffer.map(([, sql]) => ` and ${sql}`).join(''), values };
}

/** Modules that the offers before each hold together, the cheapest first and of equally dear ones the better seller's. */
const BEFORE = `coalesce(sum(coalesce(cheap.stock, $6) * lot.modules) over (
  partition by lot.spec_id, lot.modules, lot.origin
  order by cheap.cost_cents, coalesce(ranked.rank, 0), cheap.id rows between unbounded preceding and 1 preceding), 0)`;

/** The cheapest of what a maker sells for all of its machines, `$9`. */
const ofMaker = ({ spec, offer }: Narrowing): string => `select id from (
      select offer.id, row_number() over (partition by spec_id, modules order by cost_cents, offer.id) as place
      from offer where original_key = $9 and every_model and withdrawn_at is null and cost_cents is not null
        and stock is distinct from 0 and job_id is null and spec_id in (select id from fit where true${spec})${offer}
    ) as of_maker where place <= $6`;

/** What is taken of each lot, as two names and what they stand for. */
const takenOfLots = (
  first: string,
  taken: string,
  { spec, offer: condition }: Narrowing,
  few: number,
): string => `${first} as materialized (
    select lot.spec_id, lot.modules, lot.origin, cheap.id, ${BEFORE} as before,
      coalesce(cheap.stock, $6) * lot.modules as held
    from fit join offer_lot as lot on lot.spec_id = fit.id
    cross join lateral (${ofLot(condition)} fetch first ${few} rows with ties) as cheap
    left join ranked on ranked.id = cheap.seller_id
    where lot.modules <= $6${spec}
  ), ${taken} as (
    select id from ${first} where before < $6
    union all
    select counted.id from (
      select cheap.id, ${BEFORE} as before
      from (
        select spec_id, modules, origin from ${first} group by 1, 2, 3 having count(*) >= ${few} and sum(held) < $6
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
 * @param narrowing the same is taken once more of what is wanted; null: everything is
 * @param sockets as many as `$6`
 */
export const offersForPlanning = (narrowing: Narrowing | null, sockets: number): string => `with fit as materialized (
    select spec.id, cas, height_mm from module_spec as spec join module_family as family on family.id = family_id
    where generation = any($1) and form = $2 and ($3::text[] is null or buffering || ' ' || ecc = any($3))
      and ($4::bigint is null or capacity_mib <= $4)
  ), ranked as materialized (
    select id, row_number() over (order by trust = 'marketplace', lead_days, ${RATING} desc, id) as rank from seller
  ), ${takenOfLots('first', 'taken', UNNARROWED, firstFor(sockets))}${narrowing === null ? '' : `, ${takenOfLots('first_wanted', 'taken_wanted', narrowing, firstFor(sockets))}`},
  near as (
    select id from taken
    ${narrowing === null ? '' : 'union all select id from taken_wanted'}
    union all
    select offer.id from offer_model join offer on offer.id = offer_id
    where model_id = $5 and withdrawn_at is null and cost_cents is not null and stock is distinct from 0
      and spec_id in (select id from fit)
    union all
    ${ofMaker(UNNARROWED)}
    ${narrowing === null ? '' : `union all ${ofMaker(narrowing)}`}
    union all
    select offer_id from shelf_piece where job_id = $7 and gone_at is null
      and exists (select from offer where id = offer_id and spec_id in (select id from fit))
    union all
    select id from offer where job_id = $7 and withdrawn_at is null and cost_cents is not null
      and stock is distinct from 0 and spec_id in (select id from fit)
      -- an original that somebody saw is for its own machines too
      and (not for_models or every_model and original_key = $9
        or exists (select from offer_model where offer_id = offer.id and model_id = $5))
    union all
    select id from offer where id = any($8) and withdrawn_at is null and cost_cents is not null
      and spec_id in (select id from fit)
  )
  select offer.id, title, origin, modules, spec_id as "specId", maker, part, seller.name as "sellerName",
    coalesce(offer.lead_days, seller.lead_days) as "leadDays", case when own_part then 0 else cost_cents end as "costCents", priced_at as "pricedAt",
    seller_id as "sellerId", own_part as "ownPart",
    -- what the job itself was promised is free for it
    stock + ${heldForJob('$7')} as stock, rank::integer, page,
    guarantee_months as "guaranteeMonths",
    offer.rating, offer.rating_count as "ratingCount", seller.rating as "sellerRating",
    seller.rating_count as "sellerRatingCount"
  from offer left join seller on seller.id = seller_id left join ranked on ranked.id = seller_id
  where offer.id = any(array(select id from near))`;

/** An offer to plan with, and what is said of its seller: hundredths of a star, and how many gave them. */
export interface OfferToPlan extends StoredOffer {
  sellerRating: number | null;
  sellerRatingCount: number | null;
}

type PlanningOffer = Omit<OfferToPlan, 'module'> & {
  specId: number;
  maker: string | null;
  part: string | null;
  /** its seller among all, the better one first; null: it is the shop's own */
  rank: number | null;
};

/**
 * What is worth planning with for a machine's sockets, quickest module first, then the seller that is better trusted,
 * sooner here, better rated. A part made for certain models is left out for all others.
 */
export async function listOffersFor(db: Queryable, wish: SocketWish): Promise<OfferToPlan[]> {
  const narrowing = wish.wanted === undefined ? null : narrowingOf(wish.wanted, wish.inDays ?? null);
  const sockets = Math.max(1, Math.min(wish.sockets, MOST_SOCKETS));
  // Planning this statement takes a fifth as long as running it: each connection does it once.
  const statement = {
    name: `offers for planning ${firstFor(sockets)}${narrowing === null ? '' : ` narrowed ${narrowing.name}`}`,
    text: offersForPlanning(narrowing, sockets),
  };
  const offers = await many<PlanningOffer & Record<string, unknown>>(db, statement, [
    [...wish.generations],
    wish.form,
    wish.kinds?.map(({ buffering, ecc }) => `${buffering} ${ecc}`) ?? null,
    wish.mostMiB,
    wish.modelId,
    sockets,
    wish.jobId,
    wish.chosen ?? [],
    wish.makerKey ?? '',
    ...(narrowing?.values ?? []),
  ]);
  const specs = await many<{ id: number; module: MemoryModule; place: number }>(
    db,
    `select id, module, rank() over (order by latency_ps nulls last) as place from module_spec where id = any($1)`,
    [[...new Set(offers.map(({ specId }) => specId))]],
  );
  const of = new Map(specs.map((spec) => [spec.id, spec]));
  const place = ({ specId }: { specId: number }): number => of.get(specId)?.place ?? 0;
  return offers
    .sort((a, b) => place(a) - place(b) || (a.rank ?? 0) - (b.rank ?? 0) || a.costCents - b.costCents || a.id - b.id)
    .flatMap(({ specId, maker, part, rank: _, ...offer }) => {
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
    `select id, title, case when own_part then 0 else cost_cents end as "costCents", withdrawn_at is not null as withdrawn, stock + ${heldForJob('$2')} as stock
     from offer where id = any($1)`,
    [[...ids], jobId],
  );
}
