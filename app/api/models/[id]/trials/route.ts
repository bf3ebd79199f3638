import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { idSchema } from '@/core/bounds';
import { trialSchema } from '@/core/machine/models/model';
import { recordTrial, takeTrialBack } from '@/service/job/limits/evidence';

/** Records a trial in a model. */
export const POST = handle('library.write', trialSchema, (caller, body, params) =>
  recordTrial(caller, idOf(params), body),
);

/** Takes a trial out that was recorded by mistake. */
export const DELETE = handle('library.write', z.strictObject({ id: idSchema }), (caller, body, params) =>
  takeTrialBack(caller, idOf(params), body.id),
);
