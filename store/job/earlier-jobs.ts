import { many } from '../database';
import type { Queryable } from '../queryable';

/** A job of before that may be of the same customer or machine. */
export interface EarlierJob {
  id: number;
  customerId: number;
  customer: string;
  phone: string;
  email: string;
  machine: string;
  serial: string;
  totalMiB: number;
  quoteNumber: string | null;
  /** the last day of the guarantee on its parts, and on the work, `YYYY-MM-DD`; null: none was promised, or nothing is proved */
  partsUntil: string | null;
  workUntil: string | null;
  /** orders of its parts: a seller is asked for a new one by these */
  orders: { id: number; number: string; seller: string }[];
  /** the day it was opened, in the shop's zone */
  on: string;
  /** what says that it belongs here */
  by: 'guarantee' | 'serial' | 'module' | 'customer' | 'phone' | 'email' | 'name';
}

/** What is known of the job at hand, or what was typed; empty: nothing. */
export interface KnownOfJob {
  /** only jobs that were opened before it; 0: all */
  jobId: number;
  customerId: number;
  serial: string;
  phone: string;
  email: string;
  name: string;
  /** one that is looked for by its number; left out: none */
  of?: number;
}

/** Fewer digits are no telephone number. */
const LEAST_DIGITS = 5;

const THEIR_LAST_JOBS = `cross join lateral (
    select coalesce(lead_id, id) as id from job where customer_id = customer.id order by job.id desc limit 6
  ) as of_customer`;

/**
 * Jobs of before with the same serial, customer, telephone number, e-mail or name, the surest sign first. Each part is
 * a query of its own, so that each has its index.
 */
export const EARLIER_JOBS = `
with sign as (
  select coalesce(lead_id, job.id) as id, 1 as place, 'serial' as by from job where serial <> '' and lower(serial) = lower($2)
  union all
  select coalesce(lead_id, job.id), 1, 'serial' from job where $2 <> '' and more_serials @> array[$2::text]
  union all
  select coalesce(lead_id, job.id), 1, 'module' from fitted_module join job on job.id = fitted_module.job_id
    where $2 <> '' and lower(fitted_module.serial) = lower($2)
  union all
  select guarantee_of, 0, 'guarantee' from job where id = $6 and guarantee_of is not null
  union all
  select $7::integer, -1, 'guarantee' where $7::integer is not null
  union all
  select coalesce(lead_id, job.id), 2, 'customer' from job where customer_id = $1
  union all
  select of_customer.id, 3, 'phone' from customer ${THEIR_LAST_JOBS}
    where phone <> '' and length($3) >= ${LEAST_DIGITS} and regexp_replace(phone, '[^0-9]', '', 'g') = $3
  union all
  select of_customer.id, 4, 'email' from customer ${THEIR_LAST_JOBS}
    where email <> '' and $4 <> '' and lower(email) = lower($4)
  union all
  select of_customer.id, 5, 'name' from customer ${THEIR_LAST_JOBS}
    where length($5) > 3 and lower(name) % lower($5) and similarity(lower(name), lower($5)) > 0.6
), surest as (
  -- Groups of machines are found as the job that leads them, and none is of before its own.
  select distinct on (id) id, place, by from sign
  where (id < $6 or $6 = 0) and id is distinct from (select lead_id from job where id = $6) order by id, place
), best as (
  select id, place, by from surest order by place, id desc limit 6
)
select job.id, customer.id as "customerId", customer.name as customer, phone, email,
  trim(machine_maker || ' ' || machine_name) as machine, serial,
  (select coalesce(sum((module ->> 'capacityMiB')::bigint), 0)::bigint from job_slot where job_id = job.id) as "totalMiB",
  (select number from quote where job_id = job.id and state = 'sent') as "quoteNumber",
  promised."partsUntil", promised."workUntil",
  (select coalesce(jsonb_agg(distinct jsonb_build_object('id', part_order.id, 'number', number, 'seller', seller.name)), '[]')
   from part_order_line as line join part_order on part_order.id = order_id and cancelled_at is null
     join seller on seller.id = part_order.seller_id where line.job_id = job.id) as orders,
  (job.created_at at time zone (select time_zone from shop))::date::text as "on", by
from best join job on job.id = best.id join customer on customer.id = job.customer_id
  left join lateral (
    select (supplied + make_interval(months => nullif((snapshot #>> '{guarantee,partsMonths}')::integer, 0)))::date::text as "partsUntil",
      (supplied + make_interval(months => nullif((snapshot #>> '{guarantee,workMonths}')::integer, 0)))::date::text as "workUntil"
    from quote cross join lateral (
      select max((signed_at at time zone (select time_zone from shop))::date) as supplied from proof
      where proof.quote_id = quote.id and signed_at is not null and verdict <> 'broken'
    ) as proved where quote.job_id = job.id and quote.state = 'sent'
  ) as promised on true
order by place, job.id desc`;

/** Jobs that the job at hand, or what was typed, may go back to. */
export async function findEarlierJobs(db: Queryable, seen: KnownOfJob): Promise<EarlierJob[]> {
  return many<EarlierJob & Record<string, unknown>>(db, EARLIER_JOBS, [
    seen.customerId,
    seen.serial,
    seen.phone.replace(/\D/g, ''),
    seen.email,
    seen.name,
    seen.jobId,
    seen.of ?? null,
  ]);
}
