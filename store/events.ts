import { maybeOne, one, run } from './database';
import type { Queryable } from './queryable';

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

/** The same, for anyone who needs to find it again. @returns its number */
export async function insertEvent(
  db: Queryable,
  event: { jobId: number | null; staffId: number | null; kind: string; detail: object },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    'insert into event (job_id, staff_id, kind, detail) values ($1, $2, $3, $4) returning id',
    [event.jobId, event.staffId, event.kind, event.detail],
  );
  return id;
}

/** What an event of this kind noted; null: there is none of it. */
export async function getEvent(db: Queryable, id: number, kind: string): Promise<object | null> {
  const event = await maybeOne<{ detail: object }>(db, 'select detail from event where id = $1 and kind = $2', [
    id,
    kind,
  ]);
  return event?.detail ?? null;
}
