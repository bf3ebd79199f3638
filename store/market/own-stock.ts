import type { Origin } from '../../core/planning/model/lanes';
import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';

/** New modules of one kind that the shop has bought. Money minor units, without tax. */
export interface OwnStock {
  offerId: number;
  title: string;
  origin: Origin;
  originalOf: string | null;
  /** free to be promised, and promised to jobs */
  free: number;
  promised: number;
  place: string;
  /** fewer than this and more should be ordered; null: nobody minds */
  leastStock: number | null;
  /** what one cost */
  costCents: number;
}

const SELECT = `select offer.id as "offerId", title, origin, original_of as "originalOf", place, least_stock as "leastStock",
    cost_cents as "costCents", coalesce(stock, 0) as free,
    (select count(*)::integer from shelf_piece where offer_id = offer.id and gone_at is null) - coalesce(stock, 0) as promised
  from offer where seller_id is null and origin <> 'used' and withdrawn_at is null`;

export async function listOwnStock(db: Queryable): Promise<OwnStock[]> {
  return many<OwnStock & Record<string, unknown>>(db, `${SELECT} order by title, offer.id limit 1000`);
}

export async function lockOwnStock(db: Queryable, offerId: number): Promise<OwnStock | null> {
  return maybeOne<OwnStock & Record<string, unknown>>(db, `${SELECT} and offer.id = $1 for update`, [offerId]);
}

/** Puts so many new modules to those that lie there. */
export async function addPieces(db: Queryable, offerId: number, count: number, staffId: number | null): Promise<void> {
  await run(
    db,
    `insert into shelf_piece (offer_id, test, grade, put_by)
     select $1, 'untested', 'A', $3 from generate_series(1, $2::integer)`,
    [offerId, count, staffId],
  );
}

/** Takes so many free ones away for good; how many of them there were. */
export async function takePieces(db: Queryable, offerId: number, count: number): Promise<number> {
  return run(
    db,
    `update shelf_piece set gone_at = now() where id in (
       select id from shelf_piece where offer_id = $1 and gone_at is null and set_aside_at is null
         and (held_until is null or held_until < (select (now() at time zone time_zone)::date from shop))
       order by id desc limit $2)`,
    [offerId, count],
  );
}

export async function setStockRule(
  db: Queryable,
  offerId: number,
  { place, leastStock }: Pick<OwnStock, 'place' | 'leastStock'>,
): Promise<void> {
  await run(db, 'update offer set place = $2, least_stock = $3 where id = $1', [offerId, place, leastStock]);
}
