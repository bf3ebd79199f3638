import { z } from 'zod';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { type ClosedJob, listClosedJobs } from '../../store/job/counter-jobs';
import { CLOSINGS, closeJob, deleteEmptyJob, getJob, reopenJob } from '../../store/job/jobs';
import { releasePieces } from '../../store/market/shelf';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { giveUpTests } from './bench/bench-test';
import { changeJob } from './change-job';
import { machineName } from './job-names';
import { setAside } from './quote/accept';

export const closeSchema = z
  .strictObject({
    as: z.enum(CLOSINGS),
    why: z.string().trim().max(500, 'At most 500 characters.').default(''),
  })
  .refine(({ as, why }) => as === 'done' || why !== '', { message: 'Enter the reason in a few words.' });

/** Closes a job: it leaves the list and stays to be found, with how it ended and why. */
export async function endJob(
  caller: Caller<'jobs.write'>,
  jobId: number,
  end: z.infer<typeof closeSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'job-closed',
    detail: end,
    ofLead: true,
    needs: ['work'],
    work: async (db, { job, work, groups }) => {
      if (job.closedAt !== null) return fault('conflict', 'This job is closed already.');
      if (end.as === 'declined' && work.accepted !== null)
        return fault('conflict', 'The customer accepted an option: close it as dropped, with the reason.');
      await closeJob(db, job.id, end);
      await giveUpTests(db, groups, caller.id);
      // What was promised to it is free again; what an accepted option took as well, where it is not done.
      await releasePieces(db, job.id, end.as !== 'done');
      return done(null);
    },
  });
}

/** Goes on with a closed job, which is on the list again. */
export async function takeUpJob(caller: Caller<'jobs.write'>, jobId: number): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'job-reopened',
    ofLead: true,
    needs: ['work'],
    work: async (db, { job, work }) => {
      if (job.closedAt === null) return fault('conflict', 'This job is open already.');
      await reopenJob(db, job.id);
      if (work.accepted !== null) await setAside(db, job.id, work.accepted.whole);
      return done(null);
    },
  });
}

/** Deletes a job that nothing is in. */
export async function removeJob(caller: Caller<'jobs.write'>, jobId: number): Promise<Result<null>> {
  return transaction(async (db) => {
    if ((await getJob(db, jobId)) === null) return fault('not-found', 'There is no such job.');
    if (!(await deleteEmptyJob(db, jobId)))
      return fault('conflict', 'Something is in this job: close it with a reason instead.');
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'job-deleted', detail: { jobId } });
    return done(null);
  });
}

/** Jobs on one page of those that are closed. */
const CLOSED_PAGE = 50;

export interface ClosedEntry extends Pick<ClosedJob, 'id' | 'customer' | 'closedAs' | 'closedWhy' | 'closedAt'> {
  machine: string;
}

/** Closed jobs, the last closed first. @param page from 1 */
export async function closedJobs(
  _: Caller<'jobs.read'>,
  page: number,
): Promise<{ jobs: ClosedEntry[]; hasMore: boolean }> {
  const rows = await listClosedJobs(pool(), { most: CLOSED_PAGE + 1, after: (page - 1) * CLOSED_PAGE });
  return {
    jobs: rows.slice(0, CLOSED_PAGE).map(({ id, customer, closedAs, closedWhy, closedAt, ...machine }) => ({
      id,
      customer,
      closedAs,
      closedWhy,
      closedAt,
      machine: machineName(machine),
    })),
    hasMore: rows.length > CLOSED_PAGE,
  };
}
