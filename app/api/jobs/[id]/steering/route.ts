import { handle, idOf } from '@/app/handle';
import { saveSteering, steeringSchema } from '@/service/steering';

/** Remembers how the ladder is steered. */
export const PUT = handle('jobs.write', steeringSchema, (caller, body, params) =>
  saveSteering(caller, idOf(params), body),
);
