import { handle, idOf } from '@/app/handle';
import { searchFault, searchSchema } from '@/service/job/bench/fitting';

/** Goes on with the search for why the machine does not start. */
export const POST = handle('jobs.write', searchSchema, (caller, input, params) =>
  searchFault(caller, idOf(params), input),
);
