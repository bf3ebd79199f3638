import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { pickModel } from '@/service/intake';

/** Takes a model of the library for the job's machine. */
export const PUT = handle(
  'jobs.write',
  z.strictObject({ modelId: z.number().int().positive() }),
  (caller, body, params) => pickModel(caller, idOf(params), body.modelId),
);
