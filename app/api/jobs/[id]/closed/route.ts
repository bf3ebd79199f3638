import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { closeSchema, endJob, takeUpJob } from '@/service/job/job-ends';

/** Closes a job, with how it ended and why. */
export const PUT = handle('jobs.write', closeSchema, (caller, body, params) => endJob(caller, idOf(params), body));

/** Opens a closed job again. */
export const DELETE = handle('jobs.write', z.null(), (caller, _, params) => takeUpJob(caller, idOf(params)));
