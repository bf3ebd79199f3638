import type { JobSlot } from '../../core/machine/slots/job-slot';
import { many, one, run } from '../database';
import type { Queryable } from '../queryable';

/** A job's slots, in the order of its board. */
export async function listSlots(db: Queryable, jobId: number): Promise<JobSlot[]> {
  return many<JobSlot & Record<string, unknown>>(
    db,
    `select name, channel, bank, max_mib as "maxMiB", lid_name as "lidName", soldered, blocked, keep, credit_cents as "creditCents", module,
       place_source as "placeSource", module_source as "moduleSource"
     from job_slot where job_id = $1 order by position`,
    [jobId],
  );
}

/** Puts these slots in place of the job's and counts the change. */
export async function replaceSlots(db: Queryable, jobId: number, slots: readonly JobSlot[]): Promise<void> {
  await run(db, 'delete from job_slot where job_id = $1', [jobId]);
  for (const [index, slot] of slots.entries()) {
    await run(
      db,
      `insert into job_slot (job_id, position, name, channel, bank, max_mib, soldered, keep, credit_cents, module,
         place_source, module_source, lid_name, blocked)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)`,
      [
        jobId,
        index + 1,
        slot.name,
        slot.channel,
        slot.bank,
        slot.maxMiB,
        slot.soldered,
        slot.keep,
        slot.creditCents,
        slot.module,
        slot.placeSource,
        slot.moduleSource,
        slot.lidName ?? null,
        slot.blocked === true,
      ],
    );
  }
  await run(db, 'update job set slots_version = slots_version + 1 where id = $1', [jobId]);
}

/** Writes what becomes of the module in one slot; the version of the slots is told. */
export async function setKeep(db: Queryable, jobId: number, slot: string, keep: JobSlot['keep']): Promise<number> {
  await run(db, 'update job_slot set keep = $3 where job_id = $1 and name = $2', [jobId, slot, keep]);
  const raised = 'update job set slots_version = slots_version + 1 where id = $1 returning slots_version as version';
  return (await one<{ version: number }>(db, raised, [jobId])).version;
}
