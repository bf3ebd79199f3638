import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { showJob } from '@/service/job/job-state';
import { ladderCase } from '@/service/job/options/view';
import { fault } from '@/service/result';

/** The job's planning case as a file, for the command `fenbrik plan`: sell prices, no cost and no customer. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params) => {
  const state = await showJob(caller, idOf(params));
  if (state === null) return fault('not-found', 'There is no such job.');
  const planCase = ladderCase(state);
  if (planCase === null) return fault('conflict', 'Something is still asked: answer it first.');
  return new Response(`${JSON.stringify(planCase, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="job-${state.job.id}.case.json"`,
      'cache-control': 'no-store',
    },
  });
});
