import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { jobStamp } from '@/service/job/bench/fitting';

/** When the job was changed last: another word means that somebody went on with it. */
export const GET = handle('jobs.read', z.null(), (_, __, params) => jobStamp(idOf(params)));
