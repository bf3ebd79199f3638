import { handle, idOf } from '@/app/handle';
import { suggestionSchema, suggestPlan } from '@/service/job/quote/quote';

/** Marks the option that the shop suggests. */
export const PUT = handle('jobs.write', suggestionSchema, (caller, body, params) =>
  suggestPlan(caller, idOf(params), body.place),
);
