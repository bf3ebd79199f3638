import { many } from '../database';
import type { Queryable } from '../queryable';
import { FAMILY } from './groups';

/** One of a job's machines: of which group, by the group's job, and which of its equal ones, from 1. */
export interface MachineAt {
  jobId: number;
  machine: number;
}

/** A machine with what tells it from the others. */
export interface ToldMachine extends MachineAt {
  /** empty: not known */
  serial: string;
  /** a report of it was held against the promise */
  isHeld: boolean;
}

/** All machines of a job, those of its other groups too, in their order. */
export async function listMachines(db: Queryable, jobId: number): Promise<ToldMachine[]> {
  return many<ToldMachine & Record<string, unknown>>(
    db,
    `select job.id as "jobId", machine, coalesce((array_prepend(serial, more_serials))[machine], '') as serial,
       exists (select from proof where proof.job_id = job.id and proof.machine = nr.machine
         and not (signed_at is not null and verdict = 'broken')) as "isHeld"
     from job cross join lateral generate_series(1, machines) as nr(machine)
     where job.id = any(${FAMILY}) order by job.id, machine`,
    [jobId],
  );
}
