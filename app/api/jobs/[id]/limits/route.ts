import { handle, idOf } from '@/app/handle';
import { decideLimits, decisionsSchema } from '@/service/job/limits/limits';

/** Decides limits, all or none; a null value takes a decision back. */
export const PUT = handle('limits.decide', decisionsSchema, (caller, body, params) =>
  decideLimits(caller, idOf(params), body),
);
