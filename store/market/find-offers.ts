import type { OfferSort } from '../../core/market/offer-sort';
import type { OfferWish } from '../../core/market/offer-wish';
import type { Buffering } from '../../core/memory/module';
import { many } from '../database';
import type { Queryable } from '../queryable';
import { OFFER_COLUMNS, RATING, type StoredOffer } from './offers';

/** A specification that fits a wish, with what it can be sorted by. */
interface Spec {
  id: number;
  familyId: number;
  capacityMiB: number;
  rateMTs: number;
  latencyPs: number | null;
  heightMm: number | null;
}

/** Modules of one kind: they never mix with another. */
export interface Family {
  id: number;
  generation: string;
  form: string;
  buffering: Buffering;
  ecc: boolean;
  /** how many specifications of it there are at all, whether they fit or not */
  specs: number;
}

/** What fits a wish: specifications, and the families they are of, newest generation first. */
export interface FoundSpecs {
  specs: Spec[];
  families: Family[];
}

const SPECS = `select spec.id, family_id as "familyId", capacity_mib as "capacityMiB", rate_mts as "rateMTs",
    latency_ps as "latencyPs", height_mm::float as "heightMm"
  from module_spec as spec join module_family as family on family.id = family_id`;

/** Specifications that fit a wish, and how many there are in each of their families. */
export async function specsFor(db: Queryable, wish: OfferWish): Promise<FoundSpecs> {
  const kinds = wish.kinds?.map(({ buffering, ecc }) => `${buffering} ${ecc}`) ?? null;
  const specs = await many<Spec & Record<string, unknown>>(
    db,
    `${SPECS}
     where ($1::text[] is null or generation = any($1)) and ($2::text is null or form = $2)
       and ($3::text[] is null or buffering || ' ' || ecc = any($3)) and ($4::bigint is null or capacity_mib = $4)
       and ($5::bigint is null or capacity_mib <= $5) and ($6::int is null or rate_mts = $6)
       and ($7::numeric is null or cas = $7) and ($8::int is null or (module ->> 'ranks')::int = $8)
       and ($9::numeric is null or height_mm is null or height_mm <= $9)
       and ($10::text is null or buffering = $10) and ($11::boolean is null or ecc = $11)
     order by generation desc, form, buffering desc, ecc, capacity_mib, rate_mts, spec.id`,
    [
      wish.generations ?? null,
      wish.form ?? null,
      kinds,
      wish.capacityMiB ?? null,
      wish.mostMiB ?? null,
      wish.rateMTs ?? null,
      wish.cas ?? null,
      wish.ranks ?? null,
      wish.mostHeightMm ?? null,
      wish.buffering ?? null,
      wish.ecc ?? null,
    ],
  );
  const wanted = [...new Set(specs.map(({ familyId }) => familyId))];
  const families = await many<Family & Record<string, unknown>>(
    db,
    `select id, generation, form, buffering, ecc, (select count(*) from module_spec where family_id = family.id) as specs
     from module_family as family where id = any($1) order by array_position($1, id::int)`,
    [wanted],
  );
  return { specs, families };
}

const LIVE = 'offer.withdrawn_at is null and offer.cost_cents is not null and offer.job_id is null';

/** Conditions on an offer itself, with their values from `$from` on. */
function conditions(wish: OfferWish, from: number): { sql: string; values: unknown[] } {
  const parts: string[] = [];
  const values: unknown[] = [];
  const add = (sql: (place: string) => string, value: unknown): void => {
    parts.push(sql(`$${from + values.length}`));
    values.push(value);
  };
  if (wish.modules !== undefined) add((at) => `offer.modules = ${at}`, wish.modules);
  if (wish.origins !== undefined) add((at) => `offer.origin = any(${at})`, wish.origins);
  if (wish.sellerId !== undefined) add((at) => `offer.seller_id = ${at}`, wish.sellerId);
  if (wish.machine !== undefined) {
    const at = `$${from + values.length}`;
    parts.push(`(not offer.for_models or offer.every_model and offer.original_key = ${at} or exists (
      select from offer_model where offer_id = offer.id and model_id = $${from + values.length + 1}))`);
    values.push(wish.machine.makerKey, wish.machine.modelId ?? 0);
  }
  for (const word of wish.words ?? []) {
    const text = "concat_ws(' ', offer.title, offer.maker, offer.part, offer.seller_part)";
    add((at) => `${text} ilike ${at}`, `%${word.replace(/[\\%_]/g, '\\$&')}%`);
  }
  return { sql: parts.map((part) => ` and ${part}`).join(''), values };
}

interface Order {
  key: string;
  /** columns that follow the key, all of one index */
  index: string;
}

/** Sorts whose order an index of each family holds. */
const FAMILY_ORDERS: Partial<Record<OfferSort, Order>> = {
  price: { key: 'offer.cost_cents', index: 'offer.cost_cents, offer.id' },
  'per-gib': { key: 'offer.per_gib', index: 'offer.per_gib, offer.id' },
  stock: {
    key: '-coalesce(offer.stock, -1)',
    index: 'coalesce(offer.stock, -1) desc, offer.cost_cents, offer.id',
  },
};

const SPEC_ORDERS: Partial<Record<OfferSort, (spec: Spec) => number>> = {
  rate: ({ rateMTs }) => -rateMTs,
  latency: ({ latencyPs }) => latencyPs ?? Number.POSITIVE_INFINITY,
  height: ({ heightMm }) => heightMm ?? Number.POSITIVE_INFINITY,
  size: ({ capacityMiB }) => capacityMiB,
};

const SELLER_ORDERS: Partial<Record<OfferSort, string>> = {
  seller: 'lower(name), id',
  delivery: "lead_days, trust = 'marketplace', lower(name), id",
  rating: `${RATING} desc, lower(name), id`,
};

export interface Window {
  from: number;
  count: number;
}

/** A statement and its values. */
export interface Asked {
  sql: string;
  values: unknown[];
}

/** Walks specifications in order, within each the cheapest first, and stops when there are enough. */
function bySpecs(specs: readonly Spec[], wish: OfferWish, { from, count }: Window): Asked {
  const more = conditions(wish, 3);
  return {
    sql: `select id from (
        select walked.id, place, walked.cost_cents from unnest($1::int[]) with ordinality as spec (id, place)
        cross join lateral (
          select offer.id, offer.cost_cents from offer where spec_id = spec.id and ${LIVE}${more.sql}
          order by offer.cost_cents, offer.id limit $2
        ) as walked limit $2
      ) as near order by place, cost_cents, id offset ${from}`,
    values: [specs.map(({ id }) => id), from + count, ...more.values],
  };
}

/**
 * The first of each family, merged. Each family is asked on its own, so that the database chooses by what it knows of its
 * specifications: along the index that holds the order, or all of few specifications sorted.
 */
function byFamilies({ specs, families }: FoundSpecs, order: Order, wish: OfferWish, { from, count }: Window): Asked {
  const more = conditions(wish, 2);
  const own = new Set(specs.map(({ id }) => id));
  const parts = families.map(({ id, specs: all }) => {
    const some = specs.filter(({ familyId }) => familyId === id).length < all;
    return `(select offer.id, ${order.key} as key, offer.cost_cents from offer
      where family_id = ${id} and ${LIVE}${some ? ' and offer.spec_id = any($1::int[])' : ''}${more.sql}
      order by ${order.index} limit ${from + count})`;
  });
  return {
    sql: `select id from (${parts.join(' union all ')}) as near where $1::int[] is not null
      order by key, cost_cents, id offset ${from} limit ${count}`,
    values: [[...own], ...more.values],
  };
}

/** Walks our own shelf and then sellers in order, of each the cheapest of every family first. */
function bySellers(
  { specs, families }: FoundSpecs,
  sellers: readonly number[],
  wish: OfferWish,
  { from, count }: Window,
): Asked {
  const more = conditions(wish, 5);
  const whole = families.reduce((sum, { specs: all }) => sum + all, 0) === specs.length;
  const filter = whole ? '$4::int[] is not null' : 'offer.spec_id = any($4::int[])';
  const cheapest = (seller: string) => `select near.id, near.cost_cents from unnest($2::smallint[]) as family (id)
    cross join lateral (
      select offer.id, offer.cost_cents from offer
      where family_id = family.id and ${seller} and ${LIVE} and ${filter}${more.sql}
      order by offer.cost_cents, offer.id limit $3
    ) as near order by near.cost_cents, near.id limit $3`;
  return {
    sql: `select id from (
        (select id, 0 as place, cost_cents from (${cheapest('seller_id is null')}) as shelf)
        union all
        (select walked.id, place, walked.cost_cents from unnest($1::int[]) with ordinality as seller (id, place)
         cross join lateral (${cheapest('seller_id = seller.id')}) as walked limit $3)
      ) as near order by place, cost_cents, id offset ${from} limit ${count}`,
    values: [sellers, families.map(({ id }) => id), from + count, specs.map(({ id }) => id), ...more.values],
  };
}

/** The statement that finds the window's offers by this sort. */
export async function askFor(
  db: Queryable,
  found: FoundSpecs,
  wish: OfferWish,
  sort: OfferSort,
  window: Window,
): Promise<Asked | null> {
  if (found.specs.length === 0) return null;
  const along = FAMILY_ORDERS[sort];
  if (along !== undefined) return byFamilies(found, along, wish, window);
  const of = SPEC_ORDERS[sort];
  if (of !== undefined)
    return bySpecs(
      [...found.specs].sort((a, b) => of(a) - of(b)),
      wish,
      window,
    );
  const sellers = await many<{ id: number }>(db, `select id from seller order by ${SELLER_ORDERS[sort]}`);
  return bySellers(
    found,
    sellers.map(({ id }) => id),
    wish,
    window,
  );
}

export interface FoundOffer extends StoredOffer {
  marketplace: boolean;
  /** what is said of its seller: hundredths of a star, and how many gave them */
  sellerRating: number | null;
  sellerRatingCount: number | null;
  /** models that it is made for; empty: for none in particular */
  madeFor: string[];
  /** whose original it is; null: nobody's, or it is not told */
  originalOf: string | null;
  /** made for every model of that maker */
  everyModel: boolean;
  /** what it cost, the oldest first */
  history: number[];
}

/** So many of an offer's prices are drawn in a row. */
const DRAWN_PRICES = 24;

/** Offers that fit a wish, by a sort, one window of them, with their latest prices, oldest first. */
export async function findOffers(
  db: Queryable,
  found: FoundSpecs,
  wish: OfferWish,
  sort: OfferSort,
  window: Window,
): Promise<FoundOffer[]> {
  const asked = await askFor(db, found, wish, sort, window);
  if (asked === null) return [];
  const ids = (await many<{ id: number }>(db, asked.sql, asked.values)).map(({ id }) => id);
  const offers = await many<FoundOffer & Record<string, unknown>>(
    db,
    `select listed.*, coalesce(trust = 'marketplace', false) as marketplace, seller.rating as "sellerRating",
       seller.rating_count as "sellerRatingCount",
       array(select maker || ' ' || name from offer_model join model on model.id = model_id
             where offer_id = listed.id order by 1) as "madeFor",
       (select original_of from offer where id = listed.id) as "originalOf",
       (select every_model from offer where id = listed.id) as "everyModel",
       array(select cost_cents from offer_price where offer_id = listed.id order by at desc, id desc limit ${DRAWN_PRICES}) as history
     from (${OFFER_COLUMNS} where offer.id = any($1)) as listed left join seller on seller.id = "sellerId"`,
    [ids],
  );
  const place = new Map(ids.map((id, at) => [id, at]));
  for (const { history } of offers) history.reverse();
  return offers.sort((a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0));
}

/** How many offers of each family fit a wish. */
export async function countOffers(
  db: Queryable,
  { specs, families }: FoundSpecs,
  wish: OfferWish,
): Promise<{ familyId: number; offers: number }[]> {
  const more = conditions(wish, 3);
  return many<{ familyId: number; offers: number }>(
    db,
    `select family_id as "familyId", count(*) as offers from offer
     where family_id = any($1) and spec_id = any($2) and ${LIVE}${more.sql} group by family_id`,
    [families.map(({ id }) => id), specs.map(({ id }) => id), ...more.values],
  );
}
