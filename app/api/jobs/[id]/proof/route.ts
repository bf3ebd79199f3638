import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { readingInput, readingInputSchema } from '@/app/reading-input';
import { takeProof } from '@/service/proof';

const schema = z.strictObject({ input: readingInputSchema, place: z.number().int().min(1).max(3) });

/** Holds the report of the fitted machine against the sent option. */
export const POST = handle('jobs.write', schema, (caller, { input, place }, params) =>
  takeProof(caller, idOf(params), { ...readingInput(input), place }),
);
