import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { jobViewOf } from '@/app/jobs/[id]/job-view-of';
import { keptMarket } from '@/app/jobs/[id]/kept-markets';
import { showJob } from '@/service/job/job-state';

import { fault, type Result } from '@/service/result';
import { packJob } from '@/ui/job/pack-job';

const sent = (text: string, caching: string): Response =>
  new Response(text, {
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': caching },
  });

/** The planning case and what is offered for it, as a page of the job named it: one key means one text for ever. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params): Promise<Result<never> | Response> => {
  const id = idOf(params);
  const known = keptMarket(id, params.key ?? '');
  if (known !== undefined) return sent(known, 'private, max-age=3600, immutable');
  const state = await showJob(id);
  if (state === null) return fault('not-found', 'There is no such job.');
  // What it is by now, where nobody knows what it was: right to work with, wrong to keep under that name.
  return sent(packJob(jobViewOf(state, caller)).market, 'no-store');
});
