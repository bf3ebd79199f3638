import { makerKey } from '../../core/maker-key';
import type { MemoryModule } from '../../core/memory/module';
import type { Origin } from '../../core/planning/model/lanes';
import type { PriceStep } from '../../core/pricing/counted-price';
import type { Coupon } from '../../core/pricing/seller-terms';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

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
  /** what buyers say of it, and where its page is */
  rating: number | null;
  ratingCount: number | null;
  page: string | null;
  /** how long its maker or seller answers for it, months; null: nobody says */
  guaranteeMonths: number | null;
  /** the customer brings it: it costs nothing */
  ownPart: boolean;
}

/** Columns of an offer as it stands. */
export const OFFER_COLUMNS = `select offer.id, title, origin, offer.modules,
    spec.module || jsonb_strip_nulls(jsonb_build_object('maker', maker, 'part', part)) as module, stock,
    seller.name as "sellerName", coalesce(offer.lead_days, seller.lead_days) as "leadDays", case when own_part then 0 else cost_cents end as "costCents",
    priced_at as "pricedAt", own_part as "ownPart", offer.seller_id as "sellerId", offer.rating, offer.rating_count as "ratingCount", page,
    offer.guarantee_months as "guaranteeMonths"
  from offer join module_spec as spec on spec.id = spec_id left join seller on seller.id = offer.seller_id`;

/** Few ratings say little: each is held as if five of 3 stars stood beside them. */
export const RATING = '(coalesce(rating * rating_count, 0) + 300 * 5.0) / (coalesce(rating_count, 0) + 5)';

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
  /** whose original it is; empty or left out: nobody says */
  originalOf?: string;
  /** it is made for every model of that maker */
  everyModel?: boolean;
  /** models that it is said to be for and that are not bound, as written */
  unbound?: readonly string[];
  /** its own delivery time, days; null or left out: as its seller's */
  leadDays?: number | null;
  /** hundredths of a star, 100 to 500, and how many gave them; null or left out: nobody did */
  rating?: number | null;
  ratingCount?: number | null;
  /** address of its own page; null or left out: it has none that is known */
  page?: string | null;
  /** how long its maker or seller answers for it, months; null or left out: nobody says */
  guaranteeMonths?: number | null;
  /** the job it is an offer of, and what it was read from; left out: it is everybody's */
  jobId?: number;
  /** the job's customer brings it */
  ownPart?: boolean;
  readingId?: number;
}

/** Whose original an offer is, as it is stored: the maker, as makers are compared, and whether for all of its models. */
function originalColumns({
  origin,
  originalOf = '',
  everyModel = false,
}: Pick<NewOffer, 'origin' | 'originalOf' | 'everyModel'>) {
  const key = origin === 'original' ? makerKey(originalOf) : '';
  return key === '' ? [null, null, false] : [originalOf.trim(), key, everyModel];
}

/** Says which models an offer is made for, and which it is said to be for; what was said before is forgotten. */
export async function bindOffer(
  db: Queryable,
  id: number,
  modelIds: readonly number[],
  unbound: readonly string[],
): Promise<void> {
  await run(db, 'delete from offer_model where offer_id = $1 and model_id <> all($2)', [id, [...modelIds]]);
  await run(
    db,
    'insert into offer_model (offer_id, model_id) select $1, * from unnest($2::integer[]) on conflict do nothing',
    [id, [...new Set(modelIds)]],
  );
  await run(db, 'delete from offer_unbound where offer_id = $1', [id]);
  await run(
    db,
    'insert into offer_unbound (offer_id, said) select $1, * from unnest($2::text[]) on conflict do nothing',
    [id, [...unbound]],
  );
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
    `insert into offer (seller_id, seller_part, title, origin, modules, spec_id, family_id, unit_mib, maker, part, stock, note, job_id,
       reading_id, original_of, original_key, every_model, lead_days, rating, rating_count, page, for_models, own_part,
       guarantee_months)
     select $1::integer, $2, $3, $4, $5::integer, id, family_id, capacity_mib * $5::integer, $7, $8, $9::integer, $10, $11::integer, $12::bigint,
       $13, $14, $15, $16::integer, $17::smallint, $18::integer, $19, $4 = 'original', $20, $21::smallint
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
      ...originalColumns(offer),
      ...[offer.leadDays ?? null, offer.rating ?? null, offer.ratingCount ?? null, offer.page ?? null],
      ...[offer.ownPart === true, offer.guaranteeMonths ?? null],
    ],
  );
  // What stands on our shelf is pieces; those that are put there one by one begin with none.
  if (offer.sellerId === null && offer.ownPart !== true && (offer.stock ?? 0) > 0) {
    await run(
      db,
      "insert into shelf_piece (offer_id, test, grade) select $1, 'tested', 'B' from generate_series(1, $2::integer)",
      [id, offer.stock],
    );
  }
  await bindOffer(db, id, offer.modelIds, offer.unbound ?? []);
  return id;
}

/** An offer with everything that can be typed of it. */
export interface EditableOffer {
  id: number;
  sellerId: number | null;
  sellerPart: string | null;
  title: string;
  origin: Origin;
  originalOf: string | null;
  everyModel: boolean;
  modelIds: number[];
  unbound: string[];
  modules: number;
  module: MemoryModule;
  stock: number | null;
  leadDays: number | null;
  rating: number | null;
  ratingCount: number | null;
  page: string | null;
  guaranteeMonths: number | null;
  note: string;
  withdrawn: boolean;
}

/** @param lock nobody else changes it until the transaction ends */
export async function getEditable(db: Queryable, id: number, lock = false): Promise<EditableOffer | null> {
  return maybeOne<EditableOffer & Record<string, unknown>>(
    db,
    `select offer.id, seller_id as "sellerId", seller_part as "sellerPart", title, origin, original_of as "originalOf",
       every_model as "everyModel", modules, stock, lead_days as "leadDays", rating, rating_count as "ratingCount", page,
       guarantee_months as "guaranteeMonths", note, withdrawn_at is not null as withdrawn,
       spec.module || jsonb_strip_nulls(jsonb_build_object('maker', maker, 'part', part)) as module,
       array(select model_id from offer_model where offer_id = offer.id order by 1) as "modelIds",
       array(select said from offer_unbound where offer_id = offer.id order by 1) as unbound
     from offer join module_spec as spec on spec.id = spec_id where offer.id = $1${lock ? ' for update of offer' : ''}`,
    [id],
  );
}

/** Writes what is typed of an offer, but for its price and how many modules of which size it is. */
export async function updateOffer(
  db: Queryable,
  id: number,
  offer: Omit<NewOffer, 'jobId' | 'readingId'>,
): Promise<void> {
  const specId = await specOf(db, offer.module);
  const { maker = null, part = null } = offer.module;
  await run(
    db,
    `update offer set seller_part = $2, title = $3, origin = $4, spec_id = $5, family_id = (select family_id from module_spec where id = $5),
       maker = $6, part = $7, stock = $8, note = $9, original_of = $10, original_key = $11, every_model = $12, lead_days = $13,
       rating = $14, rating_count = $15, page = $16, guarantee_months = $17, for_models = $4 = 'original'
     where id = $1`,
    [
      ...[id, offer.sellerPart, offer.title, offer.origin, specId, maker, part, offer.stock, offer.note],
      ...originalColumns(offer),
      ...[offer.leadDays ?? null, offer.rating ?? null, offer.ratingCount ?? null, offer.page ?? null],
      offer.guaranteeMonths ?? null,
    ],
  );
  // What is made for certain models is in no lot; what became somebody else's part is again.
  if (offer.origin !== 'original')
    await run(db, 'insert into offer_lot (spec_id, modules, origin) values ($1, $2, $3) on conflict do nothing', [
      specId,
      offer.modules,
      offer.origin,
    ]);
  await bindOffer(db, id, offer.modelIds, offer.unbound ?? []);
}

/** Of one number a seller has one offer: one that has left the market gives it up. */
export async function freeSellerPart(db: Queryable, sellerId: number, part: string): Promise<void> {
  await run(
    db,
    `update offer set seller_part = left(seller_part, 66) || ' (' || id || ')'
     where seller_id = $1 and lower(seller_part) = lower($2) and withdrawn_at is not null`,
    [sellerId, part],
  );
}

/** Takes a seller's offer off the market or puts it back; false where it is there already, or none. */
export async function setWithdrawn(db: Queryable, id: number, withdrawn: boolean): Promise<boolean> {
  const changed = await run(
    db,
    `update offer set withdrawn_at = case when $2 then now() end
     where id = $1 and seller_id is not null and (withdrawn_at is null) = $2`,
    [id, withdrawn],
  );
  return changed > 0;
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
    `select id, modules, stock, cost_cents as "costCents" from offer where cost_cents is not null and seller_id = $1 and lower(seller_part) = lower($2) and withdrawn_at is null for update`,
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

/** How many modules a pack of an offer has that can be bought; null: there is no such offer, or it has no price. */
export async function packOf(db: Queryable, id: number): Promise<number | null> {
  const offer = await maybeOne<{ modules: number }>(
    db,
    'select modules from offer where id = $1 and withdrawn_at is null and cost_cents is not null',
    [id],
  );
  return offer?.modules ?? null;
}
