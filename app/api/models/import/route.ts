import { handle } from '@/app/handle';
import { readingInput, readingInputSchema } from '@/app/reading-input';
import { importModels } from '@/service/library';

/** Takes a file of models into the library. */
export const POST = handle('library.write', readingInputSchema, (caller, body) =>
  importModels(caller, readingInput(body).input),
);
