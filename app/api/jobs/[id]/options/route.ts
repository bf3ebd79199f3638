import { handle, idOf } from '@/app/handle';
import { choiceSchema, choosePlan } from '@/service/job/quote/quote';

/** Puts a plan on the slip. */
export const POST = handle('jobs.write', choiceSchema, (caller, body, params) =>
  choosePlan(caller, idOf(params), body),
);
