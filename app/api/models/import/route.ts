import { handleWhole } from '@/app/handle';
import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { importModels } from '@/service/library/library';

/** Takes a file of models into the library. */
export const POST = handleWhole('library.write', MOST_READING_BYTES, (caller, { input }) =>
  importModels(caller, input),
);
