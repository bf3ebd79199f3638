import { handleWhole } from '@/app/handle';
import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { importModels } from '@/service/library/library';

/** What a file of models would change in the library; nothing is kept. */
export const POST = handleWhole('library.write', MOST_READING_BYTES, (caller, { input }) =>
  importModels(caller, input, true),
);
