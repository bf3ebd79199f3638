import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { removeJob } from '@/service/job/job-ends';

/** Deletes a job that nothing is in. */
export const DELETE = handle('jobs.write', z.null(), (caller, _, params) => removeJob(caller, idOf(params)));
