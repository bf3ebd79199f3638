import { handle, idOf } from '@/app/handle';
import { followUp, followUpSchema } from '@/service/job/proof/sign-proof';

/** Weeks later: does it still run? */
export const POST = handle('jobs.write', followUpSchema, (caller, input, params) =>
  followUp(caller, idOf(params), input),
);
