import type { Reading } from '../../core/reading/reading';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

export type ReadingPurpose = 'intake' | 'proof';

export async function insertReading(
  db: Queryable,
  reading: {
    jobId: number;
    purpose: ReadingPurpose;
    /** which of the job's equal machines; absent: the first */
    machine?: number;
    optionPlace: number | null;
    sourceName: string;
    input: Uint8Array;
    result: Reading;
    staffId: number | null;
  },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into reading (job_id, purpose, option_place, source_name, format, input, result, read_by, machine)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9) returning id`,
    [
      reading.jobId,
      reading.purpose,
      reading.optionPlace,
      reading.sourceName,
      reading.result.format,
      Buffer.from(reading.input),
      reading.result,
      reading.staffId,
      reading.machine ?? 1,
    ],
  );
  return id;
}

export interface KeptReading {
  id: number;
  /** which of the job's equal machines it is of, from 1 */
  machine: number;
  optionPlace: number | null;
  sourceName: string;
  result: Reading;
  setAside: boolean;
  readAt: Date;
  /** what a person took of a specification; null: nobody decided yet */
  taken: unknown;
  takenBy: string | null;
  /** the day where the shop is, `YYYY-MM-DD` */
  takenOn: string | null;
}

const COLUMNS = `id, machine, option_place as "optionPlace", source_name as "sourceName", result, set_aside as "setAside",
  read_at as "readAt", taken, (select name from staff where staff.id = taken_by) as "takenBy",
  to_char(taken_at at time zone (select time_zone from shop), 'YYYY-MM-DD') as "takenOn"`;

/** One reading of a job; null: it has no such one. */
export async function getReading(db: Queryable, jobId: number, id: number): Promise<KeptReading | null> {
  return maybeOne<KeptReading & Record<string, unknown>>(
    db,
    `select ${COLUMNS} from reading where job_id = $1 and id = $2`,
    [jobId, id],
  );
}

/** A job's readings at intake, the last first; those that were set aside are among them. */
export async function listReadings(db: Queryable, jobId: number): Promise<KeptReading[]> {
  return many<KeptReading & Record<string, unknown>>(
    db,
    `select ${COLUMNS} from reading where job_id = $1 and purpose = 'intake' order by read_at desc, id desc`,
    [jobId],
  );
}

/** Keeps what a person took of a job's specification; null takes it back. False: the job has no such specification. */
export async function setTaken(
  db: Queryable,
  jobId: number,
  id: number,
  taken: object | null,
  staffId: number,
): Promise<boolean> {
  const found = await maybeOne(
    db,
    `update reading set taken = $3, taken_by = $4, taken_at = case when $3::jsonb is null then null else now() end
     where id = $1 and job_id = $2 and format = 'specification' returning id`,
    [id, jobId, taken === null ? null : JSON.stringify(taken), taken === null ? null : staffId],
  );
  return found !== null;
}

/** Sets a job's reading aside, or takes it in again; false where the job has no such reading. */
export async function setReadingAside(db: Queryable, jobId: number, id: number, aside: boolean): Promise<boolean> {
  const found = await maybeOne(
    db,
    `update reading set set_aside = $3 where id = $1 and job_id = $2 and purpose = 'intake' returning id`,
    [id, jobId, aside],
  );
  return found !== null;
}

/** Puts a reading where its machine is. */
export async function moveReading(
  db: Queryable,
  id: number,
  { jobId, machine }: { jobId: number; machine: number },
): Promise<void> {
  await run(db, 'update reading set job_id = $2, machine = $3 where id = $1', [id, jobId, machine]);
}

/** A machine takes another's place among its equals, with its readings. */
export async function renumberReadings(
  db: Queryable,
  jobId: number,
  { from, to }: { from: number; to: number },
): Promise<void> {
  await run(db, 'update reading set machine = $3 where job_id = $1 and machine = $2', [jobId, from, to]);
}
