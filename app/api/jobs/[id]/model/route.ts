import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { idSchema } from '@/core/bounds';
import { pickModel } from '@/service/job/intake/intake';
import { keepAsModel, keepAsModelSchema } from '@/service/library/library';

/** Takes a model of the library for the job's machine. */
export const PUT = handle('jobs.write', z.strictObject({ modelId: idSchema }), (caller, body, params) =>
  pickModel(caller, idOf(params), body.modelId),
);

/** Keeps the job's machine as a model of the library. */
export const POST = handle('library.write', keepAsModelSchema, (caller, body, params) =>
  keepAsModel(caller, idOf(params), body),
);
