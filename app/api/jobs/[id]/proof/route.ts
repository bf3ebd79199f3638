import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { readingInput, readingInputSchema } from '@/app/reading-input';
import { takeProof } from '@/service/proof';

const schema = z.strictObject({ input: readingInputSchema });

/** Holds the report of the fitted machine against the accepted option. */
export const POST = handle('jobs.write', schema, (caller, { input }, params) =>
  takeProof(caller, idOf(params), readingInput(input)),
);
