import { pool } from '../store/database';
import { listTaskRuns, type QueueNumbers, queueNumbers } from '../store/queue/queue';

export interface Readiness {
  ready: true;
  queue: QueueNumbers;
  /** when the last task of each kind was done (ISO 8601) */
  lastSuccess: Record<string, string>;
}

/**
 * Does the database answer, and how does the work beside requests do? Throws as any question to it does where it is away.
 */
export async function readiness(): Promise<Readiness> {
  const done = (await listTaskRuns(pool())).flatMap(({ kind, succeededAt }) =>
    succeededAt === null ? [] : [[kind, succeededAt.toISOString()] as const],
  );
  return { ready: true, queue: await queueNumbers(pool()), lastSuccess: Object.fromEntries(done) };
}
