import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { takeReading } from '@/service/intake';

const schema = z.strictObject({
  text: z.string().max(8 * 1024 * 1024, 'This input is over 8 MiB: a memory report is far smaller.'),
  sourceName: z.string().trim().min(1).max(200),
});

/** Reads a machine's report into the job. */
export const POST = handle('jobs.write', schema, (caller, body, params) => takeReading(caller, idOf(params), body));
