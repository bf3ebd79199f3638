import { handle, idOf } from '@/app/handle';
import { oldModuleSchema, settleOldModule } from '@/service/job/bench/old-modules';

/** What became of a module that came out. */
export const POST = handle('jobs.write', oldModuleSchema, (caller, input, params) =>
  settleOldModule(caller, idOf(params), input),
);
