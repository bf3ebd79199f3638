import { handle, idOf } from '@/app/handle';
import { beginFitting, beginSchema } from '@/service/job/bench/fitting';

/** Begins the work on the bench, or goes on with what was begun. */
export const POST = handle('jobs.write', beginSchema.nullable(), (caller, input, params) =>
  beginFitting(caller, idOf(params), input ?? {}),
);
