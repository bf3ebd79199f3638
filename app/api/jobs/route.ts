import { z } from 'zod';
import { handle } from '@/app/handle';
import { newJob } from '@/service/job/intake/intake';

/** Opens an empty job and answers its number. */
export const POST = handle('jobs.write', z.null(), (caller) => newJob(caller));
