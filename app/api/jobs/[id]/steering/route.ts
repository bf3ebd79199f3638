import { handle, idOf } from '@/app/handle';
import { saveSteering, steerSchema } from '@/service/job/options/steering';

/** Remembers how the ladder is steered. */
export const PUT = handle('jobs.write', steerSchema, (caller, { next, seen }, params) =>
  saveSteering(caller, idOf(params), next, seen),
);
