import { many, type Queryable, run } from './database';

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

export interface JobEvent {
  kind: string;
  detail: Record<string, unknown>;
  by: string | null;
  at: Date;
}

export async function listEvents(db: Queryable, jobId: number): Promise<JobEvent[]> {
  return many<JobEvent & Record<string, unknown>>(
    db,
    `select kind, detail, staff.name as by, at from event left join staff on staff.id = staff_id
     where job_id = $1 order by at, event.id`,
    [jobId],
  );
}
