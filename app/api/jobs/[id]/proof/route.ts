import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { takeProof } from '@/service/proof';

const schema = z.strictObject({
  text: z.string().max(8 * 1024 * 1024, 'This input is over 8 MiB: a memory report is far smaller.'),
  sourceName: z.string().trim().min(1).max(200),
  place: z.number().int().min(1).max(3),
});

/** Holds the report of the fitted machine against the sent option. */
export const POST = handle('jobs.write', schema, (caller, body, params) => takeProof(caller, idOf(params), body));
