import { many } from '../database';
import type { Queryable } from '../queryable';
import { type Closing, JOBS, type Job } from './jobs';

/** A job as the list of jobs shows it. */
export interface JobRow extends Job {
  quoteNumber: string | null;
  /** of all its groups */
  allMachines: number;
  slotCount: number;
  gapCount: number;
  totalMiB: number;
  /** something in its slots is no capacity: it was let in before there were bounds */
  isBroken: boolean;
  choiceCount: number;
  /** of the quote that is out: the option that was accepted, and what else was said to it */
  acceptedPlace: number | null;
  declined: boolean;
  lapsed: boolean;
  /** days until it lapses, negative once it has; null: no quote is out */
  daysLeft: number | null;
  /** mail of it was refused, or may not have arrived */
  mailStuck: boolean;
  openQuestions: number;
  /** the last time on the bench came to its end; and the promise was held against the machine, signed and not broken */
  fitted: boolean;
  proved: boolean;
  /** how what was ordered for it stands; null: nothing was */
  parts: 'on-the-way' | 'here' | null;
}

/** Ways to sort the open jobs: as they were touched last, or by the day on which they are needed. */
const COUNTER_ORDERS = {
  touched: ['touched_at desc, job.id desc', 'job."touchedAt" desc, job.id desc'],
  needed: ['needed_by, touched_at desc, job.id desc', 'job."neededBy", job."touchedAt" desc, job.id desc'],
} as const;
export type CounterOrder = keyof typeof COUNTER_ORDERS;

/** A window of the open jobs for the counter: $1 how many, $2 after how many. Jobs without a day come after those with one. */
export const counterJobsText = (by: CounterOrder): string => `select job.*, sent.number as "quoteNumber",
    job.machines + (select coalesce(sum(machines), 0)::integer from job as own where own.lead_id = job.id) as "allMachines",
    (select count(*) from job_slot where job_id = job.id) as "slotCount",
    (select count(*) from job_slot where job_id = job.id and module is not null
       and (module ->> 'capacityMiB' is null or module ->> 'rateMTs' is null)) as "gapCount",
    (select coalesce(sum(bounded_mib(module)), 0)::bigint from job_slot where job_id = job.id) as "totalMiB",
    exists (select from job_slot where job_id = job.id and module ->> 'capacityMiB' is not null and bounded_mib(module) is null) as "isBroken",
    (select count(*) from quote_choice where quote_id = draft.id) as "choiceCount",
    (select place from quote_answer where quote_id = sent.id and kind = 'accepted') as "acceptedPlace",
    exists (select from quote_answer where quote_id = sent.id and kind = 'declined') as declined,
    coalesce(sent.valid_until < (select (now() at time zone time_zone)::date from shop), false) as lapsed,
    sent.valid_until - (select (now() at time zone time_zone)::date from shop) as "daysLeft",
    exists (select from mail where quote_id = sent.id and mail.state in ('refused', 'unsure')) as "mailStuck",
    (select count(*) from quote_answer as said where said.quote_id = sent.id and kind = 'question'
       and not exists (select from quote_reply where answer_id = said.id)) as "openQuestions",
    -- it was settled that it does not work, or it is proved
    coalesce((job."notWorking" ->> 'quoteId')::integer = sent.id, false)
      or exists (select from proof where quote_id = sent.id and signed_at is not null and verdict <> 'broken')
      and all_proved(sent.id) as proved,
    exists (select from fitting where quote_id = sent.id) and (
      select count(*) from (select distinct on (fitting.job_id, machine) id, steps from fitting where quote_id = sent.id
        order by fitting.job_id, machine, round desc) as last
      where jsonb_array_length(steps) <= (select count(*) from fitting_tick where fitting_id = last.id and undone_at is null)
        and not exists (select from proof where fitting_id = last.id and signed_at is not null and verdict = 'broken')
    ) >= machines_promised(sent.id) as fitted,
    (select case when count(*) = 0 then null when bool_or(line.quantity > coalesce((select sum(quantity) from order_line_event
         where line_id = line.id and kind = 'arrived' and taken_back_at is null), 0)) then 'on-the-way' else 'here' end
      from part_order_line as line join part_order on part_order.id = order_id and cancelled_at is null
      where line.job_id = job.id) as parts
  from (${JOBS} where closed_at is null and begun_at is not null and lead_id is null order by ${COUNTER_ORDERS[by][0]} limit $1 offset $2) as job
  left join quote as sent on sent.job_id = job.id and sent.state = 'sent'
  left join quote as draft on draft.job_id = job.id and draft.state = 'draft'
  order by ${COUNTER_ORDERS[by][1]}`;

export async function listCounterJobs(
  db: Queryable,
  window: { most: number; after: number },
  by: CounterOrder = 'touched',
): Promise<JobRow[]> {
  return many<JobRow & Record<string, unknown>>(db, { name: `counter jobs, ${by}`, text: counterJobsText(by) }, [
    window.most,
    window.after,
  ]);
}

/** A closed job as it is listed. */
export interface ClosedJob {
  id: number;
  customer: string;
  machineMaker: string;
  machineName: string;
  closedAs: Closing | null;
  closedWhy: string;
  closedAt: Date;
}

export async function listClosedJobs(db: Queryable, window: { most: number; after: number }): Promise<ClosedJob[]> {
  return many<ClosedJob & Record<string, unknown>>(
    db,
    `select job.id, customer.name as customer, machine_maker as "machineMaker", machine_name as "machineName",
       closed_as as "closedAs", closed_why as "closedWhy", closed_at as "closedAt"
     from job join customer on customer.id = customer_id
     where closed_at is not null and lead_id is null order by closed_at desc, job.id desc limit $1 offset $2`,
    [window.most, window.after],
  );
}
