import { many, one, run } from '../database';
import type { Queryable } from '../queryable';

/** Equal machines of a job; a job whose machines differ has several such groups, each kept as a job under the first. */
export interface Group {
  jobId: number;
  machines: number;
  /** of each of its machines; empty: not known */
  serials: string[];
  /** what is in each, MiB */
  totalMiB: number;
  /** in so many modules */
  modules: number;
}

/** The job that leads the groups of job `$1`: the one with the quote, the orders and the customer's answer. */
export const LEAD = 'coalesce((select lead_id from job where id = $1), $1)';
/** All jobs of these groups. */
export const FAMILY = `array(select id from job where id = ${LEAD} union select id from job where lead_id = ${LEAD})`;

/** The job that leads the groups of a job's machines: itself, where it is a group of no other. */
export async function leadOf(db: Queryable, jobId: number): Promise<number> {
  return (await one<{ id: number }>(db, `select ${LEAD} as id`, [jobId])).id;
}

/** The groups of a job's machines, the first first; a job with equal machines alone is the only one. */
export async function listGroups(db: Queryable, jobId: number): Promise<Group[]> {
  const rows = await many<Omit<Group, 'serials'> & { all: string[] }>(
    db,
    `select id as "jobId", machines, array_prepend(serial, more_serials) as all,
       (select coalesce(sum(bounded_mib(module)), 0)::bigint from job_slot where job_id = job.id) as "totalMiB",
       (select count(*)::integer from job_slot where job_id = job.id and module is not null) as modules
     from job where id = any(${FAMILY}) order by id`,
    [jobId],
  );
  return rows.map(({ all, ...group }) => ({
    ...group,
    serials: Array.from({ length: group.machines }, (_, nr) => all[nr] ?? ''),
  }));
}

/**
 * Packs of each offer that the drafts of the other groups take, whichever of their options is accepted: of alternatives the
 * one that takes most.
 */
export async function takenByOthers(db: Queryable, jobId: number): Promise<Map<string, number>> {
  const rows = await many<{ offer: string; packs: number }>(
    db,
    `select offer, max(packs)::integer as packs from (
       select place, one ->> 'offer' as offer, sum((one ->> 'count')::integer) as packs
       from quote join quote_choice on quote_id = quote.id cross join lateral jsonb_array_elements(bought) as one
       where quote.state = 'draft' and quote.job_id = any(${FAMILY}) and quote.job_id <> $1 group by place, offer
     ) as of_place group by offer`,
    [jobId],
  );
  return new Map(rows.map(({ offer, packs }) => [offer, packs]));
}

/**
 * A further group of a job's machines, as the job is: with its customer, its wishes, its slots and its limits.
 */
export async function insertGroup(db: Queryable, leadId: number): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into job (customer_id, lead_id, model_id, machine_maker, machine_name, complaint, need_mib, budget_cents, cpu, uses,
       full_part, in_use_mib, needed_by, cover, os, os_bits, not_bought, parts_only, begun_at)
     select customer_id, id, model_id, machine_maker, machine_name, complaint, need_mib, null, cpu, uses,
       full_part, in_use_mib, needed_by, cover, os, os_bits, not_bought, parts_only, now() from job where id = $1 returning id`,
    [leadId],
  );
  await run(
    db,
    `insert into job_slot (job_id, position, name, channel, bank, max_mib, soldered, keep, credit_cents, module,
       place_source, module_source, lid_name, blocked)
     select $2, position, name, channel, bank, max_mib, soldered, keep, credit_cents, module, place_source, module_source,
       lid_name, blocked from job_slot where job_id = $1`,
    [leadId, id],
  );
  await run(
    db,
    `insert into job_limit (job_id, limit_name, value, why, decided_by, decided_at)
     select $2, limit_name, value, why, decided_by, decided_at from job_limit where job_id = $1`,
    [leadId, id],
  );
  return id;
}

/** Empties the drafts of a job's other groups: what they chose has gone out. */
export async function emptyDrafts(db: Queryable, leadId: number): Promise<void> {
  await run(
    db,
    `delete from quote_choice where quote_id in (
       select quote.id from quote join job on job.id = job_id where lead_id = $1 and state = 'draft')`,
    [leadId],
  );
}

/** Takes a group away with everything in it; false: it is none, or hands were on its machines. */
export async function dropGroup(db: Queryable, id: number): Promise<boolean> {
  const isTouched = `exists (select from fitting where job_id = $1) or exists (select from proof where job_id = $1)
    or exists (select from old_module where job_id = $1)`;
  const { count } = await one<{ count: number }>(
    db,
    `select count(*)::integer as count from job where id = $1 and lead_id is not null and not (${isTouched})`,
    [id],
  );
  if (count === 0) return false;
  // What was offered while it was there stays the job's, with what it was read from.
  const lead = '(select lead_id from job where id = $1)';
  await run(
    db,
    `update reading set job_id = ${lead}, machine = 1 where job_id = $1
       and exists (select from offer where reading_id = reading.id)`,
    [id],
  );
  await run(db, `update offer set job_id = ${lead} where job_id = $1`, [id]);
  await run(db, 'delete from quote_choice where quote_id in (select id from quote where job_id = $1)', [id]);
  for (const table of ['quote', 'reading', 'job_slot', 'job_limit', 'job_picture'])
    await run(db, `delete from ${table} where job_id = $1`, [id]);
  await run(db, `update event set job_id = ${lead} where job_id = $1`, [id]);
  return (await run(db, 'delete from job where id = $1', [id])) > 0;
}

/** Notes the serial of one of a job's machines. */
export async function noteSerial(db: Queryable, jobId: number, machine: number, serial: string): Promise<void> {
  if (machine === 1) {
    await run(db, 'update job set serial = $2 where id = $1', [jobId, serial]);
    return;
  }
  // Serials before it that nobody knows stay empty.
  await run(
    db,
    `update job set more_serials = (
       select array_agg(case when nr = $2 then $3 else coalesce(more_serials[nr], '') end order by nr)
       from generate_series(1, greatest($2, cardinality(more_serials))) as nr) where id = $1`,
    [jobId, machine - 1, serial],
  );
}

/** Writes how many equal machines a group has, and their serials. */
export async function setMachines(
  db: Queryable,
  jobId: number,
  { machines, serial, moreSerials }: { machines: number; serial: string; moreSerials: readonly string[] },
): Promise<void> {
  const short = (text: string) => text.slice(0, 120);
  await run(db, 'update job set machines = $2, serial = $3, more_serials = $4 where id = $1', [
    ...[jobId, machines, short(serial), moreSerials.map(short)],
  ]);
}
