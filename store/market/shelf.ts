import type { PieceGrade } from '../../core/pricing/piece-worth';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';
import { OFFER_COLUMNS } from './offers';

export const PIECE_TESTS = ['untested', 'read', 'tested'] as const;
export type PieceTest = (typeof PIECE_TESTS)[number];

export interface NewPiece {
  serial: string | null;
  test: PieceTest;
  grade: PieceGrade;
  note: string;
  originJobId: number | null;
}

export async function insertPiece(
  db: Queryable,
  offerId: number,
  piece: NewPiece,
  staffId: number | null,
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into shelf_piece (offer_id, serial, test, grade, note, origin_job_id, put_by) values ($1, $2, $3, $4, $5, $6, $7)
     returning id`,
    [offerId, piece.serial, piece.test, piece.grade, piece.note, piece.originJobId, staffId],
  );
  return id;
}

export interface ShelfPiece extends NewPiece {
  id: number;
  offerId: number;
  title: string;
  costCents: number;
  putAt: Date;
  /** the job that it is promised to, and to which day, where it is not set aside for good; null: nobody today */
  promisedTo: number | null;
  heldUntil: string | null;
}

/** Pieces that lie on the shelf, the last put first. */
export async function listPieces(db: Queryable): Promise<ShelfPiece[]> {
  return many<ShelfPiece & Record<string, unknown>>(
    db,
    `select piece.id, offer_id as "offerId", serial, test, grade, piece.note, origin_job_id as "originJobId", put_at as "putAt",
       listed.title, listed."costCents",
       case when held_until >= today.day or set_aside_at is not null then piece.job_id end as "promisedTo",
       case when set_aside_at is null and held_until >= today.day then held_until::text end as "heldUntil"
     from shelf_piece as piece join (${OFFER_COLUMNS}) as listed on listed.id = offer_id
     cross join (select (now() at time zone time_zone)::date as day from shop) as today
     where gone_at is null and listed.origin = 'used' order by put_at desc, piece.id desc`,
  );
}

/** Is a piece of this serial on the shelf, or was it? */
export async function serialKnown(db: Queryable, serial: string): Promise<boolean> {
  return (await maybeOne(db, 'select id from shelf_piece where serial = $1', [serial])) !== null;
}

/** Which of these offers are pieces of our own shelf, in order. */
export async function shelfOffers(db: Queryable, ids: readonly number[]): Promise<number[]> {
  const found = await many<{ id: number }>(
    db,
    'select id from offer where id = any($1) and exists (select from shelf_piece where offer_id = offer.id) order by id',
    [[...ids]],
  );
  return found.map(({ id }) => id);
}

/**
 * Lets go of what a job was promised and did not get. What is being tried in its machine stays held.
 *
 * @param evenAside what an accepted option took as well: the job came to nothing
 */
export async function releasePieces(db: Queryable, jobId: number, evenAside = false): Promise<void> {
  await run(
    db,
    `update shelf_piece set job_id = null, held_until = null, set_aside_at = null
     where job_id = $1 and gone_at is null and test_id is null and (set_aside_at is null or $2)`,
    [jobId, evenAside],
  );
}

/** Sets pieces aside that a job was promised, or that are free; how many of those asked for there are. */
export async function setAsidePieces(db: Queryable, jobId: number, offerId: number, count: number): Promise<number> {
  return run(
    db,
    `update shelf_piece set job_id = $1, set_aside_at = coalesce(set_aside_at, now()) where id in (
       select id from shelf_piece
       where offer_id = $2 and gone_at is null and (job_id = $1 or (set_aside_at is null and (held_until is null
         or held_until < (select (now() at time zone time_zone)::date from shop))))
       order by job_id is distinct from $1, grade, id limit $3)`,
    [jobId, offerId, count],
  );
}

/** Promises free pieces of an offer to a job; false where fewer are free. Of two who ask at once one waits for the other. */
export async function holdPieces(
  db: Queryable,
  { jobId, offerId, count, until }: { jobId: number; offerId: number; count: number; until: string },
): Promise<boolean> {
  const free = await many<{ id: number }>(
    db,
    `select id from shelf_piece
     where offer_id = $1 and gone_at is null and set_aside_at is null
       and (held_until is null or held_until < (select (now() at time zone time_zone)::date from shop))
     order by grade, id limit $2 for update`,
    [offerId, count],
  );
  if (free.length < count) return false;
  await run(db, 'update shelf_piece set job_id = $2, held_until = $3, test_id = null where id = any($1)', [
    free.map(({ id }) => id),
    jobId,
    until,
  ]);
  return true;
}

/** Marks pieces that a job was promised as fitted; what was marked before counts. */
export async function sellPieces(db: Queryable, jobId: number, offerId: number, count: number): Promise<void> {
  await run(
    db,
    `update shelf_piece set gone_at = now() where id in (
       select id from shelf_piece where job_id = $1 and offer_id = $2 and gone_at is null order by id
       limit greatest(0, $3 - (select count(*) from shelf_piece where job_id = $1 and offer_id = $2 and gone_at is not null))
     )`,
    [jobId, offerId, count],
  );
}

/** Puts back what was marked as fitted for a job beyond so many: it is promised to the job again. */
export async function returnPieces(db: Queryable, jobId: number, offerId: number, count: number): Promise<void> {
  await run(
    db,
    `update shelf_piece set gone_at = null where id in (
       select id from shelf_piece where job_id = $1 and offer_id = $2 and gone_at is not null order by gone_at, id
       offset $3
     )`,
    [jobId, offerId, count],
  );
}

/** Takes a piece off the shelf for good; false where it is promised or not there. */
export async function discardPiece(db: Queryable, id: number): Promise<boolean> {
  return (
    (await run(
      db,
      `update shelf_piece set gone_at = now() where id = $1 and gone_at is null and set_aside_at is null
         and (held_until is null or held_until < (select (now() at time zone time_zone)::date from shop))`,
      [id],
    )) > 0
  );
}

/** Counts again what is free: promises end with a day. */
export async function recountShelf(db: Queryable): Promise<void> {
  await run(
    db,
    `update offer set stock = free_pieces(id) where id in (select offer_id from shelf_piece where gone_at is null)
       and stock is distinct from free_pieces(id)`,
  );
}
