import { run } from '../database';
import type { Queryable } from '../queryable';

/** How it was settled that a quote's accepted option does not work. */
export interface NotWorking {
  quoteId: number;
  /** `YYYY-MM-DD` */
  on: string;
  by: string | null;
  note: string;
  /** what it became in the library */
  trialId: number | null;
}

/** A job's, as an expression over the table `job`. */
export const NOT_WORKING = `case when not_working_quote_id is not null then jsonb_build_object('quoteId', not_working_quote_id,
  'on', not_working_on::text, 'by', (select name from staff where staff.id = not_working_by), 'note', not_working_note,
  'trialId', not_working_trial_id) end`;

export async function noteNotWorking(
  db: Queryable,
  jobId: number,
  { quoteId, on, note, trialId, staffId }: Omit<NotWorking, 'by'> & { staffId: number },
): Promise<void> {
  await run(
    db,
    `update job set not_working_quote_id = $2, not_working_on = $3, not_working_note = $4, not_working_trial_id = $5,
       not_working_by = $6 where id = $1`,
    [jobId, quoteId, on, note, trialId, staffId],
  );
}

export async function endNotWorking(db: Queryable, jobId: number): Promise<void> {
  await run(
    db,
    `update job set not_working_quote_id = null, not_working_on = null, not_working_note = '', not_working_trial_id = null,
       not_working_by = null where id = $1`,
    [jobId],
  );
}
