import { handle, idOf } from '@/app/handle';
import { tickSchema, tickStep } from '@/service/job/bench/fitting';

/** Ticks a step, leaves it out, undoes that, or notes what was found on it. */
export const POST = handle('jobs.write', tickSchema, (caller, input, params) =>
  tickStep(caller, idOf(params), idOf({ id: params.fitting ?? '' }), input),
);
