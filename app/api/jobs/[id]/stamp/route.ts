import { handleWatch, idOf } from '@/app/handle';
import { jobStamp } from '@/service/job/bench/fitting';

/** When the job was changed last: another word means that somebody went on with it. */
export const GET = handleWatch('jobs.read', (caller, _, params) => jobStamp(caller, idOf(params)));
