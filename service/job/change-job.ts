import { transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { leadOf } from '../../store/job/groups';
import { touchJob } from '../../store/job/jobs';
import type { Queryable } from '../../store/queryable';
import { fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { lockSlices } from './slices/read-slices';
import type { JobWith, SliceName } from './slices/slice';

export interface JobChange<T, Need extends SliceName> {
  kind: string;
  detail?: object;
  /** it is of all groups of the job's machines: done to the job that leads them */
  ofLead?: true;
  /** what of the job the work looks at: it is handed that, and no more is read under the lock */
  needs: readonly Need[];
  work: (db: Queryable, state: JobWith<Need>) => Promise<Result<T>>;
}

/** Thrown to take a transaction back when its work answers with a fault. */
class TakenBack extends Error {
  constructor(readonly result: Result<never>) {
    super('taken back');
  }
}

/**
 * Changes one job: locks it, does the work, notes who did what, all in one transaction. A fault takes everything
 * back.
 */
export async function changeJob<T, Need extends SliceName = never>(
  caller: Caller,
  asked: number,
  change: JobChange<T, Need>,
): Promise<Result<T>> {
  try {
    return await transaction(async (db) => {
      const jobId = change.ofLead ? await leadOf(db, asked) : asked;
      const state = await lockSlices(db, jobId, change.needs);
      if (state === null) throw new TakenBack(fault('not-found', 'There is no such job.'));
      const result = await change.work(db, state);
      if (!result.ok) throw new TakenBack(result);
      await touchJob(db, jobId);
      await noteEvent(db, { jobId, staffId: caller.id, kind: change.kind, detail: change.detail });
      return result;
    });
  } catch (cause) {
    if (cause instanceof TakenBack) return cause.result;
    throw cause;
  }
}
