import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { agreeLimits } from '@/service/job/limits/limits';

/** Says that the limits hold, or takes that back. */
export const PUT = handle('limits.decide', z.strictObject({ agreed: z.boolean() }), (caller, body, params) =>
  agreeLimits(caller, idOf(params), body.agreed),
);
