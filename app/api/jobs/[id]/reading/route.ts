import { z } from 'zod';
import { handle, handleParts, idOf } from '@/app/handle';
import { idSchema } from '@/core/bounds';
import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { putReadingAside, takeReadings } from '@/service/intake';
import { fault } from '@/service/result';

/** Reads what a machine, its modules or a seller say into the job. */
export const POST = handleParts('jobs.write', MOST_READING_BYTES, async (caller, { files }, params) =>
  files.length === 0 ? fault('bad-input', 'There is nothing to read.') : takeReadings(caller, idOf(params), files),
);

const asideSchema = z.strictObject({ id: idSchema, aside: z.boolean() });

/** Sets a reading aside, or takes it in again. */
export const PATCH = handle('jobs.write', asideSchema, (caller, body, params) =>
  putReadingAside(caller, idOf(params), body),
);
