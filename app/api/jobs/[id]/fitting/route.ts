import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { beginFitting } from '@/service/job/bench/fitting';

/** Begins the work on the bench, or goes on with what was begun. */
export const POST = handle('jobs.write', z.null(), (caller, _, params) => beginFitting(caller, idOf(params)));
