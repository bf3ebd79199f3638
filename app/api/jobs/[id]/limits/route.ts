import { handle, idOf } from '@/app/handle';
import { decideLimit, decisionSchema } from '@/service/limits';

/** Decides one limit; a null value takes the decision back. */
export const PUT = handle('limits.decide', decisionSchema, (caller, body, params) =>
  decideLimit(caller, idOf(params), body),
);
