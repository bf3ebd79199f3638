import type { Reading } from '../core/reading/reading';
import { maybeOne, type Queryable, run } from './database';

export type Purpose = 'intake' | 'proof';

export async function insertReading(
  db: Queryable,
  reading: {
    jobId: number;
    purpose: Purpose;
    optionPlace: number | null;
    sourceName: string;
    input: string;
    result: Reading;
    staffId: number | null;
  },
): Promise<void> {
  await run(
    db,
    `insert into reading (job_id, purpose, option_place, source_name, format, input, result, read_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      reading.jobId,
      reading.purpose,
      reading.optionPlace,
      reading.sourceName,
      reading.result.format,
      reading.input,
      reading.result,
      reading.staffId,
    ],
  );
}

export interface KeptReading {
  optionPlace: number | null;
  sourceName: string;
  result: Reading;
  readAt: Date;
}

/** The last reading of a job for a purpose. */
export async function lastReading(db: Queryable, jobId: number, purpose: Purpose): Promise<KeptReading | null> {
  return maybeOne<KeptReading & Record<string, unknown>>(
    db,
    `select option_place as "optionPlace", source_name as "sourceName", result, read_at as "readAt" from reading
     where job_id = $1 and purpose = $2 order by read_at desc, id desc limit 1`,
    [jobId, purpose],
  );
}
