import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { readingInput, readingInputSchema } from '@/app/reading-input';
import { putReadingAside, takeReadings } from '@/service/intake';

const schema = z.strictObject({
  inputs: z.array(readingInputSchema).min(1, 'There is nothing to read.').max(20, 'At most 20 files at once, please.'),
});

/** Reads what a machine, its modules or a seller say into the job. */
export const POST = handle('jobs.write', schema, (caller, { inputs }, params) =>
  takeReadings(caller, idOf(params), inputs.map(readingInput)),
);

const asideSchema = z.strictObject({ id: z.number().int().positive(), aside: z.boolean() });

/** Sets a reading aside, or takes it in again. */
export const PATCH = handle('jobs.write', asideSchema, (caller, body, params) =>
  putReadingAside(caller, idOf(params), body),
);
