import type { MovedKind } from '../../core/moving-in/columns';
import type { MovedCustomer } from '../../core/moving-in/moved-row';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

/** A file that was moved in. */
export interface MovedIn {
  id: number;
  kind: MovedKind;
  name: string;
  /** rows that became something */
  taken: number;
  by: string;
  at: Date;
  undoneAt: Date | null;
}

const SELECT = `select moved_in.id, kind, moved_in.name, taken, staff.name as by, at, undone_at as "undoneAt"
  from moved_in join staff on staff.id = by`;

export async function listMovedIn(db: Queryable): Promise<MovedIn[]> {
  return many<MovedIn & Record<string, unknown>>(db, `${SELECT} order by at desc, moved_in.id desc limit 100`);
}

export async function lockMovedIn(db: Queryable, id: number): Promise<MovedIn | null> {
  return maybeOne<MovedIn & Record<string, unknown>>(db, `${SELECT} where moved_in.id = $1 for update of moved_in`, [
    id,
  ]);
}

/** Two that move in at once follow each other, so that neither misses a double. */
export async function lockMovingIn(db: Queryable): Promise<void> {
  await run(db, "select pg_advisory_xact_lock(hashtext('moving in'))");
}

export async function insertMovedIn(
  db: Queryable,
  { kind, name, taken, staffId }: { kind: MovedKind; name: string; taken: number; staffId: number },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    'insert into moved_in (kind, name, taken, by) values ($1, $2, $3, $4) returning id',
    [kind, name, taken, staffId],
  );
  return id;
}

export async function setUndone(db: Queryable, id: number): Promise<void> {
  await run(db, 'update moved_in set undone_at = now() where id = $1', [id]);
}

/** Whom the shop knows, with the machine of one job each. */
export interface KnownMachine extends Omit<MovedCustomer, 'line' | 'note' | 'day'> {
  customerId: number;
}

export async function listKnownMachines(db: Queryable): Promise<KnownMachine[]> {
  return many<KnownMachine & Record<string, unknown>>(
    db,
    `select distinct customer.id as "customerId", name, phone, email, machine_maker as maker, machine_name as model, serial
     from customer join job on job.customer_id = customer.id where name <> '' or phone <> '' or email <> ''`,
  );
}

/** A customer to move in with what the file calls this person, and the one whom the shop has already. */
export type MovingCustomer = MovedCustomer & { person: number; knownId: number | null };

/**
 * Moves in customers with their machines, each machine as a closed job of its day; rows of one person make one customer.
 */
export async function insertMovedCustomers(
  db: Queryable,
  movedInId: number,
  name: string,
  rows: readonly MovingCustomer[],
): Promise<void> {
  await run(
    db,
    `with given as (
       select * from jsonb_to_recordset($2::jsonb) as row (person integer, "knownId" integer, name text, phone text, email text,
         maker text, model text, serial text, note text, day text)
     ), fresh as (
       select person, nextval(pg_get_serial_sequence('customer', 'id'))::integer as id, name, phone, email from (
         select person, max(name) as name, max(phone) as phone, max(email) as email from given
         where "knownId" is null group by person) as one
     ), made as (
       insert into customer (id, name, phone, email, moved_in_id) overriding system value
       select id, name, phone, email, $1 from fresh
     )
     insert into job (customer_id, machine_maker, machine_name, serial, complaint, created_at, begun_at, touched_at, closed_at,
       closed_as, closed_why, moved_in_id)
     select coalesce("knownId", fresh.id), maker, model, serial, note, at, at, at, at, 'done', $3, $1
     from given left join fresh using (person)
       cross join lateral (select coalesce(day::date::timestamptz, now()) as at) as told`,
    [movedInId, JSON.stringify(rows), `Moved in from ${name}`],
  );
}

/** Something came to such a job since it was moved in: it is worked on. */
const WORKED_ON = `(closed_at is null or closed_why not like 'Moved in from %' or model_id is not null
  or exists (select from reading where job_id = job.id) or exists (select from job_slot where job_id = job.id)
  or exists (select from job_picture where job_id = job.id)
  or exists (select from quote where job_id = job.id) or exists (select from offer where job_id = job.id)
  or exists (select from shelf_piece where job.id in (job_id, origin_job_id))
  or exists (select from part_order_line where job_id = job.id) or exists (select from mail where job_id = job.id))`;

/** Deletes what a file of customers made, but for what somebody works on; how many jobs stay. */
export async function deleteMovedCustomers(db: Queryable, movedInId: number): Promise<number> {
  await run(db, `delete from job where moved_in_id = $1 and not ${WORKED_ON}`, [movedInId]);
  await run(
    db,
    'delete from customer where moved_in_id = $1 and not exists (select from job where customer_id = customer.id)',
    [movedInId],
  );
  const { left } = await one<{ left: number }>(db, 'select count(*)::integer as left from job where moved_in_id = $1', [
    movedInId,
  ]);
  return left;
}

export async function setOfferMovedIn(db: Queryable, offerId: number, movedInId: number): Promise<void> {
  await run(db, 'update offer set moved_in_id = $2 where id = $1', [offerId, movedInId]);
}

/** Takes away what a file of stock put there and nobody was promised; how many pieces stay. */
export async function takeMovedStock(db: Queryable, movedInId: number): Promise<number> {
  await run(
    db,
    `update shelf_piece set gone_at = now() from offer where offer.id = offer_id and moved_in_id = $1 and gone_at is null
       and set_aside_at is null and (held_until is null or held_until < (select (now() at time zone time_zone)::date from shop))`,
    [movedInId],
  );
  await run(
    db,
    `update offer set withdrawn_at = now() where moved_in_id = $1 and withdrawn_at is null
       and not exists (select from shelf_piece where offer_id = offer.id and gone_at is null)`,
    [movedInId],
  );
  const { left } = await one<{ left: number }>(
    db,
    `select count(*)::integer as left from shelf_piece join offer on offer.id = offer_id
     where moved_in_id = $1 and gone_at is null`,
    [movedInId],
  );
  return left;
}

export async function setModelMovedIn(db: Queryable, modelId: number, movedInId: number): Promise<void> {
  await run(db, 'update model set moved_in_id = $2 where id = $1', [modelId, movedInId]);
}

/** Deletes the models of a file that no job, offer or trial has to do with; how many stay. */
export async function deleteMovedModels(db: Queryable, movedInId: number): Promise<number> {
  await run(
    db,
    `delete from model where moved_in_id = $1 and not exists (select from job where model_id = model.id)
       and not exists (select from offer_model where model_id = model.id) and not exists (select from trial where model_id = model.id)
       and not exists (select from model_photo where model_id = model.id)
       and not exists (select from event where kind = 'model-changed' and detail ->> 'modelId' = model.id::text)`,
    [movedInId],
  );
  const { left } = await one<{ left: number }>(
    db,
    'select count(*)::integer as left from model where moved_in_id = $1',
    [movedInId],
  );
  return left;
}
