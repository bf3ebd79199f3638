import { handle, idOf } from '@/app/handle';
import { readingInput, readingInputSchema } from '@/app/reading-input';
import { takePart } from '@/service/new-part';

/** Makes a title with its price, or a seller's page, an offer of the job. */
export const POST = handle('jobs.write', readingInputSchema, (caller, body, params) =>
  takePart(caller, idOf(params), readingInput(body)),
);
