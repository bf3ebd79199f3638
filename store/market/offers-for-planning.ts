import { STOCK_NAME } from '../../core/market/stock-name';
import type { MemoryModule } from '../../core/memory/module';
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
  /** sellers that are not wanted, by name: what others ask for the same comes beside theirs */
  sellersOut?: readonly string[];
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

/** `$10`: names of sellers that are not wanted. */
const WANTED_SELLER = ` and case when seller_id is null then '${STOCK_NAME}' <> all($10)
    else seller_id <> all(array(select id from seller where name = any($10))) end`;

/** Modules that the offers before each hold together, the cheapest first and of equally dear ones the better seller's. */
const BEFORE = `coalesce(sum(coalesce(cheap.stock, $6) * lot.modules) over (
  partition by lot.spec_id, lot.modules, lot.origin
  order by cheap.cost_cents, coalesce(ranked.rank, 0), cheap.id rows between unbounded preceding and 1 preceding), 0)`;

/** What is taken of each lot, as two names and what they stand for. */
const takenOfLots = (
  first: string,
  taken: string,
  condition: string,
  few: number,
): string => `${first} as materialized (
    select lot.spec_id, lot.modules, lot.origin, cheap.id, ${BEFORE} as before,
      coalesce(cheap.stock, $6) * lot.modules as held
    from fit join offer_lot as lot on lot.spec_id = fit.id
    cross join lateral (${ofLot(condition)} fetch first ${few} rows with ties) as cheap
    left join ranked on ranked.id = cheap.seller_id
    where lot.modules <= $6
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
 * @param isNarrowed the same is taken once more of what wanted sellers ask
 * @param sockets as many as `$6`
 */
export const offersForPlanning = (isNarrowed: boolean, sockets: number): string => `with fit as materialized (
    select spec.id from module_spec as spec join module_family as family on family.id = family_id
    where generation = any($1) and form = $2 and ($3::text[] is null or buffering || ' ' || ecc = any($3))
      and ($4::bigint is null or capacity_mib <= $4)
  ), ranked as materialized (
    select id, row_number() over (order by trust = 'marketplace', lead_days, ${RATING} desc, id) as rank from seller
  ), ${takenOfLots('first', 'taken', '', firstFor(sockets))}${isNarrowed ? `, ${takenOfLots('first_wanted', 'taken_wanted', WANTED_SELLER, firstFor(sockets))}` : ''},
  near as (
    select id from taken
    ${isNarrowed ? 'union all select id from taken_wanted' : ''}
    union all
    select offer.id from offer_model join offer on offer.id = offer_id
    where model_id = $5 and withdrawn_at is null and cost_cents is not null and stock is distinct from 0
      and spec_id in (select id from fit)
    union all
    select id from (
      select offer.id, row_number() over (partition by spec_id, modules order by cost_cents, offer.id) as place
      from offer where original_key = $9 and every_model and withdrawn_at is null and cost_cents is not null
        and stock is distinct from 0 and job_id is null and spec_id in (select id from fit)
    ) as of_maker where place <= $6
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
    coalesce(offer.lead_days, seller.lead_days) as "leadDays", cost_cents as "costCents", priced_at as "pricedAt", seller_id as "sellerId",
    -- what the job itself was promised is free for it
    stock + ${heldForJob('$7')} as stock, rank::integer
  from offer left join seller on seller.id = seller_id left join ranked on ranked.id = seller_id
  where offer.id = any(array(select id from near))`;

type PlanningOffer = Omit<StoredOffer, 'module'> & {
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
export async function listOffersFor(db: Queryable, wish: SocketWish): Promise<StoredOffer[]> {
  const { sellersOut = [] } = wish;
  const isNarrowed = sellersOut.length > 0;
  const sockets = Math.max(1, Math.min(wish.sockets, MOST_SOCKETS));
  // Planning this statement takes a fifth as long as running it: each connection does it once.
  const statement = {
    name: `offers for planning ${firstFor(sockets)}${isNarrowed ? ' narrowed' : ''}`,
    text: offersForPlanning(isNarrowed, sockets),
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
    `select id, title, cost_cents as "costCents", withdrawn_at is not null as withdrawn, stock + ${heldForJob('$2')} as stock
     from offer where id = any($1)`,
    [[...ids], jobId],
  );
}
