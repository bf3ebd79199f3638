import type { MemoryModule } from '../core/memory/module';
import type { Origin } from '../core/planning/case';
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
  sellerName: string | null;
  leadDays: number | null;
  /** what the shop pays for one unit, without tax */
  costCents: number;
  pricedAt: Date;
}

const SELECT = `select offer.id, title, origin, modules, module, stock, seller.name as "sellerName",
    lead_days as "leadDays", price.cost_cents as "costCents", price.at as "pricedAt", offer.seller_id as "sellerId",
    price.printed_cents as "printedCents", price.coupon, price.units, price.steps
  from offer
  left join seller on seller.id = seller_id
  cross join lateral (
    select cost_cents, at, printed_cents, coupon, units, steps from offer_price where offer_id = offer.id order by at desc, id desc limit 1
  ) as price`;

/** Query of {@link listOffersFor}, named so that its plan can be looked at. */
export const OFFERS_FOR_PLANNING = `${SELECT}
  where withdrawn_at is null and generation = any($1) and form = $2
    and (not exists (select from offer_model where offer_id = offer.id)
         or exists (select from offer_model where offer_id = offer.id and model_id = $3))
  order by (module ->> 'casLatency')::numeric * 2000 / (module ->> 'rateMTs')::numeric nulls last,
    lead_days nulls first, offer.id`;

/**
 * What can be bought for sockets of these generations and this form, quickest module first, then soonest here.
 * A part made for certain models is left out for all others.
 */
export async function listOffersFor(
  db: Queryable,
  generations: readonly string[],
  form: string,
  modelId: number | null,
): Promise<StoredOffer[]> {
  return many<StoredOffer & Record<string, unknown>>(db, OFFERS_FOR_PLANNING, [[...generations], form, modelId]);
}

/** What a price was made of: what the seller printed, and every step to the cost. */
export interface PrintedOfferPrice {
  printedCents: number | null;
  coupon: Coupon | null;
  units: number | null;
  steps: PriceStep[] | null;
}

export interface PricedOffer extends StoredOffer, PrintedOfferPrice {
  sellerId: number | null;
  history: { at: string; costCents: number }[];
}

/** All offers on the market with their price history, oldest price first. */
export async function listOffers(db: Queryable): Promise<PricedOffer[]> {
  return many<PricedOffer & Record<string, unknown>>(
    db,
    `select listed.*, (
       select jsonb_agg(jsonb_build_object('at', at, 'costCents', cost_cents) order by at, id)
       from offer_price where offer_id = listed.id
     ) as history
     from (${SELECT} where withdrawn_at is null) as listed
     order by module ->> 'generation' desc, module ->> 'form', (module ->> 'capacityMiB')::bigint, modules, id`,
  );
}

export async function insertSeller(
  db: Queryable,
  seller: { name: string; leadDays: number; feedUrl: string | null },
): Promise<number> {
  const row = await one<{ id: number }>(
    db,
    'insert into seller (name, lead_days, feed_url) values ($1, $2, $3) returning id',
    [seller.name, seller.leadDays, seller.feedUrl],
  );
  return row.id;
}

export interface SellerFeed {
  id: number;
  name: string;
  feedUrl: string;
}

export async function listSellerFeeds(db: Queryable): Promise<SellerFeed[]> {
  return many<SellerFeed & Record<string, unknown>>(
    db,
    'select id, name, feed_url as "feedUrl" from seller where feed_url is not null order by id',
  );
}

/** Notes where a seller's feed answers. */
export async function setFeedUrl(db: Queryable, sellerName: string, url: string): Promise<void> {
  await run(db, 'update seller set feed_url = $2 where name = $1', [sellerName, url]);
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
}

export async function insertOffer(db: Queryable, offer: NewOffer): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into offer (seller_id, seller_part, title, origin, modules, module, stock, note)
     values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
    [offer.sellerId, offer.sellerPart, offer.title, offer.origin, offer.modules, offer.module, offer.stock, offer.note],
  );
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

/** An offer on the market with its price of now, locked against a second change. */
export async function lockOffer(
  db: Queryable,
  id: number,
): Promise<{ id: number; costCents: number; modules: number; sellerId: number | null } | null> {
  return maybeOne<{ id: number; costCents: number; modules: number; sellerId: number | null }>(
    db,
    `select offer.id, modules, seller_id as "sellerId", (select cost_cents from offer_price where offer_id = offer.id order by at desc, id desc limit 1)
       as "costCents"
     from offer where id = $1 and withdrawn_at is null for update`,
    [id],
  );
}

export interface FeedTarget {
  id: number;
  costCents: number;
  stock: number | null;
}

/** The offer that a seller calls by this part number. */
export async function findBySellerPart(db: Queryable, sellerId: number, part: string): Promise<FeedTarget | null> {
  return maybeOne<FeedTarget & Record<string, unknown>>(
    db,
    `select offer.id, stock, (select cost_cents from offer_price where offer_id = offer.id order by at desc, id desc limit 1)
       as "costCents"
     from offer where seller_id = $1 and seller_part = $2 and withdrawn_at is null for update`,
    [sellerId, part],
  );
}

export async function setStock(db: Queryable, offerId: number, stock: number | null): Promise<void> {
  await run(db, 'update offer set stock = $2 where id = $1', [offerId, stock]);
}
