import { handle, idOf } from '@/app/handle';
import { addTestedList, testedListSchema } from '@/service/job/limits/evidence';

/** Notes a list of tested parts with a model. */
export const POST = handle('library.write', testedListSchema, (caller, body, params) =>
  addTestedList(caller, idOf(params), body),
);
