import { handle, idOf } from '@/app/handle';
import { conditionSchema, putCondition } from '@/service/job/quote/on-condition';

/** Says what is paid if an option off the books does not work. */
export const PUT = handle('jobs.write', conditionSchema, (caller, body, params) =>
  putCondition(caller, idOf(params), Number(params.place), body),
);
