import { z } from 'zod';
import { handle, handleParts, idOf } from '@/app/handle';
import { idSchema } from '@/core/bounds';
import { SAID_KINDS } from '@/core/reading/read';
import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { putReadingAside, takeReadings } from '@/service/job/intake/intake';
import { fault } from '@/service/result';

const saidKindSchema = z.enum(SAID_KINDS).optional();

/** Reads what a machine, its modules or a seller say into the job. */
export const POST = handleParts('jobs.write', MOST_READING_BYTES, async (caller, { files, fields }, params) => {
  if (files.length === 0) return fault('bad-input', 'There is nothing to read.');
  const as = saidKindSchema.safeParse(fields.as);
  if (!as.success) return fault('bad-input', 'A text is a listing or a specification.');
  const said = as.data === undefined ? {} : { as: as.data };
  return takeReadings(
    caller,
    idOf(params),
    files.map((file) => ({ ...file, ...said })),
  );
});

const asideSchema = z.strictObject({ id: idSchema, aside: z.boolean() });

/** Sets a reading aside, or takes it in again. */
export const PATCH = handle('jobs.write', asideSchema, (caller, body, params) =>
  putReadingAside(caller, idOf(params), body),
);
