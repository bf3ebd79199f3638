import { type Queryable, run } from './database';

/** Notes a change of state with who and when. */
export async function noteEvent(
  db: Queryable,
  event: { jobId: number | null; staffId: number | null; kind: string; detail?: object },
): Promise<void> {
  await run(db, 'insert into event (job_id, staff_id, kind, detail) values ($1, $2, $3, $4)', [
    event.jobId,
    event.staffId,
    event.kind,
    event.detail ?? {},
  ]);
}
