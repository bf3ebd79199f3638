import type { Language } from '../../core/language';
import type { Station } from '../../core/machine/station';
import type { Steering } from '../../core/planning/filters/steering';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';
import { NOT_WORKING, type NotWorking } from './not-working';

export interface Customer {
  id: number;
  name: string;
  phone: string;
  email: string;
  /** what this customer's papers are written in; null: as the shop's are */
  language: Language | null;
  /** why this customer pays no tax; null: pays it */
  taxExempt: string | null;
  /** for papers that have to say where the customer is; empty: nobody said */
  street: string;
  postalCode: string;
  town: string;
  /** ISO 3166-1, two letters */
  country: string;
  taxNumber: string;
}

export interface Job {
  id: number;
  customer: Customer;
  modelId: number | null;
  machineMaker: string;
  machineName: string;
  serial: string;
  /** so many equal machines */
  machines: number;
  /** of the second machine and on, in their order; empty: not known */
  moreSerials: string[];
  /** the job that it is a group of machines of; null: it is a job of its own */
  leadId: number | null;
  complaint: string;
  needMiB: number | null;
  budgetCents: number | null;
  cpu: string;
  uses: string[];
  fullPart: 'memory' | 'storage' | 'both' | 'neither' | null;
  inUseMiB: number | null;
  /** `YYYY-MM-DD` */
  neededBy: string | null;
  cover: 'none' | 'warranty' | 'support' | null;
  os: string;
  osBits: 32 | 64 | null;
  /** the customer has not bought the machine yet */
  notBought: boolean;
  /** parts to take home: nothing is fitted here, unless an option says so */
  partsOnly: boolean;
  /** what the maker asks for a total, as it was typed for this job */
  makerTotalMiB: number | null;
  makerCents: number | null;
  /** how its ladder was steered last, beside need and budget */
  steering: Omit<Steering, 'needMiB' | 'budgetCents'>;
  /** offers that are planned with, though others like them are cheaper */
  askedOffers: number[];
  station: Station;
  slotsVersion: number;
  limitsAgreedAt: Date | null;
  closedAt: Date | null;
  /** how it ended; null: it is open, or nobody said */
  closedAs: Closing | null;
  closedWhy: string;
  /** it came to nothing, and why; null: it goes on */
  fellThrough: string | null;
  /** it replaces, free, what that job fitted; null: it is no such job */
  guaranteeOf: number | null;
  /** it was settled that the accepted option does not work; null: it was not */
  notWorking: NotWorking | null;
  createdAt: Date;
  touchedAt: Date;
}

/** A job with its customer, to be narrowed down. */
export const JOBS = `select job.id, jsonb_build_object('id', customer.id, 'name', customer.name, 'phone', customer.phone,
    'email', customer.email, 'language', customer.language, 'taxExempt', customer.tax_exempt, 'street', street, 'postalCode', postal_code,
    'town', town, 'country', country, 'taxNumber', tax_number) as customer, model_id as "modelId", machine_maker as "machineMaker",
    machine_name as "machineName", serial, machines, more_serials as "moreSerials", lead_id as "leadId", complaint, need_mib as "needMiB", budget_cents as "budgetCents", job.cpu,
    uses, full_part as "fullPart", in_use_mib as "inUseMiB", needed_by as "neededBy", cover, os, os_bits as "osBits",
    not_bought as "notBought", parts_only as "partsOnly", maker_total_mib as "makerTotalMiB", maker_cents as "makerCents",
    jsonb_build_object('freeSlots', free_slots, 'leastRateMTs', least_rate_mts, 'lanesOut', lanes_out,
      'sellersOut', sellers_out, 'makers', makers, 'mostCas', most_cas, 'mostHeightMm', most_height_mm,
      'leastRating', least_rating, 'inStock', in_stock, 'inTime', in_time) as steering, asked_offers as "askedOffers", station,
    slots_version as "slotsVersion", limits_agreed_at as "limitsAgreedAt", closed_at as "closedAt",
    closed_as as "closedAs", closed_why as "closedWhy",
    case when fell_through_at is not null then fell_through_why end as "fellThrough",
    guarantee_of as "guaranteeOf", ${NOT_WORKING} as "notWorking",
    job.created_at as "createdAt", touched_at as "touchedAt"
  from job join customer on customer.id = customer_id`;

export async function insertJob(db: Queryable): Promise<number> {
  const customer = await one<{ id: number }>(db, 'insert into customer default values returning id');
  const job = await one<{ id: number }>(db, 'insert into job (customer_id) values ($1) returning id', [customer.id]);
  return job.id;
}

export async function setGuaranteeOf(db: Queryable, jobId: number, of: number | null): Promise<void> {
  await run(db, 'update job set guarantee_of = $2 where id = $1', [jobId, of]);
}

export async function getJob(db: Queryable, id: number): Promise<Job | null> {
  return maybeOne<Job & Record<string, unknown>>(db, `${JOBS} where job.id = $1`, [id]);
}

/**
 * Locks a job until the transaction ends, so that changes of one job follow each other; false: there is none. It is read after the
 * lock is there: anyone who waited for it would else see the customer as before the change that they waited for (PostgreSQL,
 * 13.2.1).
 */
export async function lockJob(db: Queryable, id: number): Promise<boolean> {
  // What is of several groups of machines is changed under the lock of their first.
  const text =
    'select id from job where id = $1 or id = (select lead_id from job where id = $1) order by id for update';
  return (await many<{ id: number }>(db, text, [id])).some((one) => one.id === id);
}

export interface IntakePatch {
  customerName?: string;
  phone?: string;
  email?: string;
  language?: Customer['language'];
  taxExempt?: string | null;
  street?: string;
  postalCode?: string;
  town?: string;
  country?: string;
  taxNumber?: string;
  machineMaker?: string;
  machineName?: string;
  serial?: string;
  machines?: number;
  moreSerials?: string[];
  complaint?: string;
  needMiB?: number | null;
  budgetCents?: number | null;
  cpu?: string;
  uses?: string[];
  fullPart?: Job['fullPart'];
  inUseMiB?: number | null;
  neededBy?: string | null;
  cover?: Job['cover'];
  os?: string;
  osBits?: Job['osBits'];
  notBought?: boolean;
  partsOnly?: boolean;
  makerTotalMiB?: number | null;
  makerCents?: number | null;
}

const CUSTOMER_FIELDS = {
  customerName: 'name',
  phone: 'phone',
  email: 'email',
  language: 'language',
  taxExempt: 'tax_exempt',
  street: 'street',
  postalCode: 'postal_code',
  town: 'town',
  country: 'country',
  taxNumber: 'tax_number',
} as const;
const JOB_FIELDS = {
  machineMaker: 'machine_maker',
  machineName: 'machine_name',
  serial: 'serial',
  machines: 'machines',
  moreSerials: 'more_serials',
  complaint: 'complaint',
  needMiB: 'need_mib',
  budgetCents: 'budget_cents',
  cpu: 'cpu',
  uses: 'uses',
  fullPart: 'full_part',
  inUseMiB: 'in_use_mib',
  os: 'os',
  osBits: 'os_bits',
  notBought: 'not_bought',
  makerTotalMiB: 'maker_total_mib',
  makerCents: 'maker_cents',
} as const;
/** Of all groups of machines of a job alike. */
const SHARED_FIELDS = { neededBy: 'needed_by', cover: 'cover', partsOnly: 'parts_only' } as const;

async function setFields(
  db: Queryable,
  table: 'job' | 'customer',
  { id, where = 'id = $1' }: { id: number; where?: string },
  fields: Record<string, string>,
  patch: Record<string, unknown>,
): Promise<void> {
  const names = Object.keys(fields).filter((name) => patch[name] !== undefined);
  if (names.length === 0) return;
  const sets = names.map((name, index) => `${fields[name]} = $${index + 2}`);
  await run(db, `update ${table} set ${sets.join(', ')} where ${where}`, [id, ...names.map((name) => patch[name])]);
}

/** Writes the fields that the patch names, and no others. */
export async function patchIntake(db: Queryable, job: Job, patch: IntakePatch): Promise<void> {
  const values: Record<string, unknown> = { ...patch };
  await setFields(db, 'customer', { id: job.customer.id }, CUSTOMER_FIELDS, values);
  await setFields(db, 'job', { id: job.id }, JOB_FIELDS, values);
  await setFields(db, 'job', { id: job.leadId ?? job.id, where: '$1 in (id, lead_id)' }, SHARED_FIELDS, values);
}

export async function setModel(db: Queryable, jobId: number, modelId: number | null): Promise<void> {
  await run(db, 'update job set model_id = $2 where id = $1', [jobId, modelId]);
}

/** Remembers how the ladder is steered. */
export async function setSteering(db: Queryable, jobId: number, steering: Steering): Promise<void> {
  const { needMiB, budgetCents, freeSlots, leastRateMTs, lanesOut, sellersOut, makers } = steering;
  await run(
    db,
    `update job set need_mib = $2, budget_cents = $3, free_slots = $4, least_rate_mts = $5, lanes_out = $6, sellers_out = $7,
       makers = $8, most_cas = $9, most_height_mm = $10, least_rating = $11, in_stock = $12, in_time = $13
     where id = $1`,
    [
      ...[jobId, needMiB, budgetCents, freeSlots, leastRateMTs, lanesOut, sellersOut, makers],
      ...[steering.mostCas, steering.mostHeightMm, steering.leastRating, steering.inStock, steering.inTime],
    ],
  );
}

/** Remembers the offers that are planned with, though others like them are cheaper. */
export async function setAskedOffers(db: Queryable, jobId: number, offers: readonly number[]): Promise<void> {
  await run(db, 'update job set asked_offers = $2 where id = $1', [jobId, offers]);
}

export async function setStation(db: Queryable, jobId: number, station: Station): Promise<void> {
  await run(db, 'update job set station = $2 where id = $1', [jobId, station]);
}

export async function setLimitsAgreed(db: Queryable, jobId: number, agreed: boolean): Promise<void> {
  await run(db, 'update job set limits_agreed_at = case when $2 then now() end where id = $1', [jobId, agreed]);
}

export async function touchJob(db: Queryable, jobId: number): Promise<void> {
  const text = `update job set touched_at = now(), begun_at = coalesce(begun_at, now())
    where id = $1 or id = (select lead_id from job where id = $1)`;
  await run(db, text, [jobId]);
}

/** How a job ends. */
export const CLOSINGS = ['done', 'declined', 'not-possible', 'dropped'] as const;
export type Closing = (typeof CLOSINGS)[number];

export async function closeJob(db: Queryable, jobId: number, end: { as: Closing; why: string }): Promise<void> {
  await run(db, 'update job set closed_at = now(), closed_as = $2, closed_why = $3 where $1 in (id, lead_id)', [
    jobId,
    end.as,
    end.why,
  ]);
}

/** Opens a closed job again; false where it is open. */
export async function reopenJob(db: Queryable, jobId: number): Promise<boolean> {
  const opened = await run(
    db,
    `update job set closed_at = null, closed_as = null, closed_why = '', touched_at = now()
     where $1 in (id, lead_id) and closed_at is not null`,
    [jobId],
  );
  return opened > 0;
}

/** Nothing is in such a job: no name, no reading, no slot, no quote, nothing ordered or taken from it. */
const EMPTY = `machine_maker = '' and machine_name = '' and serial = '' and complaint = '' and need_mib is null and model_id is null
  and exists (select from customer where customer.id = customer_id and name = '' and phone = '' and email = '')
  and not exists (select from reading where job_id = job.id) and not exists (select from job_picture where job_id = job.id)
  and not exists (select from job_slot where job_id = job.id)
  and not exists (select from quote where job_id = job.id) and not exists (select from offer where job_id = job.id)
  and not exists (select from shelf_piece where job.id in (job_id, origin_job_id))
  and not exists (select from part_order_line where job_id = job.id) and not exists (select from job as own where own.lead_id = job.id)`;

/** Deletes a job with nothing in it; false where something is. */
export async function deleteEmptyJob(db: Queryable, jobId: number): Promise<boolean> {
  const deleted = await many<{ customerId: number }>(
    db,
    `delete from job where id = $1 and ${EMPTY} returning customer_id as "customerId"`,
    [jobId],
  );
  for (const { customerId } of deleted)
    await run(db, 'delete from customer where id = $1 and not exists (select from job where customer_id = $1)', [
      customerId,
    ]);
  return deleted.length > 0;
}

/** Forgets jobs that were opened a day ago and in which nothing was put since. */
export async function forgetUnbegun(db: Queryable): Promise<void> {
  const ids = await many<{ id: number }>(
    db,
    "select id from job where begun_at is null and created_at < now() - interval '1 day' order by id limit 100",
  );
  for (const { id } of ids) await deleteEmptyJob(db, id);
}

export interface Decision {
  limitName: string;
  value: unknown;
  by: string;
  at: Date;
  /** the day it was decided, in the shop's zone */
  on: string;
  why: string;
}

export async function listDecisions(db: Queryable, jobId: number): Promise<Decision[]> {
  return many<Decision & Record<string, unknown>>(
    db,
    `select limit_name as "limitName", value, staff.name as by, decided_at as at, why,
       (decided_at at time zone (select time_zone from shop))::date::text as "on"
     from job_limit join staff on staff.id = decided_by where job_id = $1 order by limit_name`,
    [jobId],
  );
}

export async function decide(
  db: Queryable,
  jobId: number,
  decision: { limit: string; value: unknown; why: string },
  staffId: number,
): Promise<void> {
  await run(
    db,
    `insert into job_limit (job_id, limit_name, value, why, decided_by) values ($1, $2, $3, $4, $5)
     on conflict (job_id, limit_name) do update
       set value = excluded.value, why = excluded.why, decided_by = excluded.decided_by, decided_at = now()`,
    [jobId, decision.limit, JSON.stringify(decision.value), decision.why, staffId],
  );
}

export async function undecide(db: Queryable, jobId: number, limit: string): Promise<void> {
  await run(db, 'delete from job_limit where job_id = $1 and limit_name = $2', [jobId, limit]);
}

/** Makes a job one of a customer who is known already; a customer without any job is forgotten. */
export async function setCustomer(db: Queryable, job: Job, customerId: number): Promise<void> {
  if (job.customer.id === customerId) return;
  await run(db, 'update job set customer_id = $2 where $1 in (id, lead_id)', [job.id, customerId]);
  await run(db, 'delete from customer where id = $1 and not exists (select from job where customer_id = $1)', [
    job.customer.id,
  ]);
}

/** Notes that a job came to nothing. */
export async function fallThrough(db: Queryable, id: number, why: string): Promise<void> {
  await run(db, 'update job set fell_through_at = now(), fell_through_why = $2 where id = $1', [id, why]);
}

/** It goes on after all. */
export async function goOn(db: Queryable, id: number): Promise<void> {
  await run(db, `update job set fell_through_at = null, fell_through_why = '' where id = $1`, [id]);
}
