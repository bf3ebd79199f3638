import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { makersForJob } from '@/service/job/options/makers-for-job';
import { done, fault } from '@/service/result';

/** Makers of what fits the machine, with how many offers there are of each. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params) => {
  const makers = await makersForJob(caller, idOf(params));
  return makers === null ? fault('not-found', 'There is no such job.') : done(makers);
});
