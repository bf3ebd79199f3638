import type { ExchangeRate } from '../../core/pricing/counted-price';
import type { Coupon, SellerTerms } from '../../core/pricing/seller-terms';
import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';

export interface Seller {
  id: number;
  name: string;
  leadDays: number;
  /** null: its numbers are what the shop pays */
  terms: SellerTerms | null;
  trust: 'own-stock' | 'marketplace';
  returns: string;
  orderContact: string;
  /** where orders are mailed to; empty: it takes none by mail */
  orderMail: string;
  /** the least it takes an order for, minor units of its own currency; null: any */
  leastOrderCents: number | null;
  /** hundredths of a star, 100 to 500, and how many gave them; null: nobody did */
  rating: number | null;
  ratingCount: number | null;
  /** the maker whose own parts it sells; null: none */
  partsOf: string | null;
  /** nothing is bought there any more */
  retired: boolean;
  offers: number;
}

const SELECT = `select id, name, lead_days as "leadDays", terms, trust, returns, order_contact as "orderContact", order_mail as "orderMail",
    least_order_cents as "leastOrderCents", rating,
    rating_count as "ratingCount", parts_of as "partsOf", retired_at is not null as retired,
    (select count(*) from offer where seller_id = seller.id and withdrawn_at is null) as offers
  from seller`;

export async function listSellers(db: Queryable): Promise<Seller[]> {
  return many<Seller & Record<string, unknown>>(db, `${SELECT} order by name`);
}

export async function getSeller(db: Queryable, id: number): Promise<Seller | null> {
  return maybeOne<Seller & Record<string, unknown>>(db, `${SELECT} where id = $1`, [id]);
}

/** The seller of this name, written in any case. */
export async function findSeller(db: Queryable, name: string): Promise<Seller | null> {
  const [seller] = await many<Seller & Record<string, unknown>>(
    db,
    `${SELECT} where lower(name) = lower($1) order by id limit 1`,
    [name],
  );
  return seller ?? null;
}

export async function updateSeller(
  db: Queryable,
  id: number,
  seller: Omit<Seller, 'id' | 'name' | 'offers' | 'retired'>,
): Promise<void> {
  await run(
    db,
    `update seller set lead_days = $2, terms = $3, trust = $4, returns = $5, order_contact = $6,
       rating = $7, rating_count = $8, order_mail = $9, least_order_cents = $10, parts_of = $11 where id = $1`,
    [
      ...[id, seller.leadDays, seller.terms, seller.trust, seller.returns, seller.orderContact],
      ...[seller.rating, seller.ratingCount, seller.orderMail, seller.leastOrderCents, seller.partsOf],
    ],
  );
}

/** Waits until nobody else makes, renames or merges sellers, and keeps it so until the transaction ends. */
export async function lockSellers(db: Queryable): Promise<void> {
  await run(db, "select pg_advisory_xact_lock(hashtext('sellers'))");
}

export async function renameSeller(db: Queryable, id: number, name: string): Promise<void> {
  await run(db, 'update seller set name = $2 where id = $1 and name <> $2', [id, name]);
}

/** Everything that one seller has becomes another's, and the first is gone. */
export async function moveSeller(
  db: Queryable,
  from: number,
  to: number,
): Promise<{ offers: number; doubles: number }> {
  const doubles = await run(
    db,
    `update offer set withdrawn_at = coalesce(withdrawn_at, now()), seller_part = left(seller_part, 66) || ' (' || id || ')'
     where seller_id = $1 and exists (
       select from offer as own where own.seller_id = $2 and lower(own.seller_part) = lower(offer.seller_part))`,
    [from, to],
  );
  const offers = await run(db, 'update offer set seller_id = $2 where seller_id = $1', [from, to]);
  await run(db, 'update price_list set seller_id = $2 where seller_id = $1', [from, to]);
  await run(db, 'update part_order set seller_id = $2 where seller_id = $1', [from, to]);
  await run(db, 'delete from seller where id = $1', [from]);
  return { offers: offers - doubles, doubles };
}

/** Takes a seller out of use with its offers, or brings it back with those that left with it. */
export async function setRetired(db: Queryable, id: number, retired: boolean): Promise<void> {
  if (retired) {
    await run(db, 'update seller set retired_at = now() where id = $1', [id]);
    await run(db, 'update offer set withdrawn_at = now() where seller_id = $1 and withdrawn_at is null', [id]);
    return;
  }
  await run(
    db,
    `update offer set withdrawn_at = null from seller
     where seller.id = $1 and seller_id = $1 and withdrawn_at = retired_at`,
    [id],
  );
  await run(db, 'update seller set retired_at = null where id = $1', [id]);
}

/** The maker whose own parts a seller sells; empty: none. */
export async function partsOf(db: Queryable, sellerId: number): Promise<string> {
  const row = await maybeOne<{ partsOf: string | null }>(db, 'select parts_of as "partsOf" from seller where id = $1', [
    sellerId,
  ]);
  return row?.partsOf ?? '';
}

/** Rates into a currency, the latest first. */
export async function listRates(db: Queryable, to: string): Promise<ExchangeRate[]> {
  return many<ExchangeRate & Record<string, unknown>>(
    db,
    `select from_currency as "from", to_currency as "to", micro, on_day::text as "on"
     from exchange_rate where to_currency = $1 order by on_day desc, from_currency`,
    [to],
  );
}

/** Notes a dated rate; false where one of that day is there already, which stays. */
export async function insertRate(db: Queryable, rate: ExchangeRate, staffId: number): Promise<boolean> {
  const inserted = await run(
    db,
    `insert into exchange_rate (from_currency, to_currency, micro, on_day, entered_by) values ($1, $2, $3, $4, $5)
     on conflict do nothing`,
    [rate.from, rate.to, rate.micro, rate.on, staffId],
  );
  return inserted > 0;
}

/** An offer's price of now that its seller printed, to be calculated again. */
export interface PrintedNow {
  offerId: number;
  modules: number;
  costCents: number;
  printedCents: number;
  coupon: Coupon | null;
  units: number;
}

/** Printed prices of now of a seller, after an offer, locked; all of them, or those with a coupon. */
export async function listPrintedNow(
  db: Queryable,
  sellerId: number,
  { after, most, which }: { after: number; most: number; which: 'all' | 'with-coupon' },
): Promise<PrintedNow[]> {
  const columns = `offer.id as "offerId", modules, price.cost_cents as "costCents", price.printed_cents as "printedCents",
    price.coupon, price.units`;
  // Coupons are few: they are found on their own, of whatever seller.
  const priced =
    which === 'all'
      ? 'offer join offer_price as price on price.id = price_id where price.printed_cents is not null'
      : 'offer_price as price join offer on offer.id = price.offer_id where price.coupon is not null and price.id = price_id';
  return many<PrintedNow & Record<string, unknown>>(
    db,
    `select ${columns} from ${priced} and seller_id = $1 and offer.id > $2 and withdrawn_at is null
     order by offer.id limit $3 for update of offer`,
    [sellerId, after, most],
  );
}

/** Every seller with the mark of what its prices were counted by the last time. */
export async function listCountedGrounds(db: Queryable): Promise<{ id: number; countedGround: unknown }[]> {
  return many<{ id: number; countedGround: unknown }>(
    db,
    'select id, counted_ground as "countedGround" from seller order by id',
  );
}

export async function setCountedGround(db: Queryable, sellerId: number, ground: object): Promise<void> {
  await run(db, 'update seller set counted_ground = $2 where id = $1', [sellerId, ground]);
}

/** Today in the shop's zone, and whether printed prices were counted today already. */
export async function dayOfShop(db: Queryable): Promise<{ day: string; counted: boolean }> {
  const [row] = await many<{ day: string; counted: boolean }>(
    db,
    `select (now() at time zone time_zone)::date::text as day,
       counted_on is not distinct from (now() at time zone time_zone)::date as counted from shop`,
  );
  return row ?? { day: new Date().toISOString().slice(0, 10), counted: true };
}

/** Says that every printed price is counted for this day; false where somebody else was first. */
export async function setCountedOn(db: Queryable, day: string): Promise<boolean> {
  return (await run(db, 'update shop set counted_on = $1 where counted_on is distinct from $1::date', [day])) > 0;
}

/** When a seller's prices were last told by its feed or an applied list; sellers that never told any are left out. */
export async function listLastTold(db: Queryable): Promise<Map<number, Date>> {
  const told = await many<{ id: number; at: Date }>(
    db,
    `select id, max(at) as at from (
       select seller_id as id, good_at as at from seller_feed where good_at is not null
       union all select seller_id, applied_at from price_list where state = 'applied'
     ) as told group by id`,
  );
  return new Map(told.map(({ id, at }) => [id, at]));
}
