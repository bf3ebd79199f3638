import { handle, idOf } from '@/app/handle';
import { addClaim, claimNameSchema, newClaimSchema, removeClaim } from '@/service/job/limits/evidence';

/** Notes a source's word on a limit of a model. */
export const POST = handle('library.write', newClaimSchema, (caller, body, params) =>
  addClaim(caller, idOf(params), body),
);

/** Takes a source's word out. */
export const DELETE = handle('library.write', claimNameSchema, (caller, body, params) =>
  removeClaim(caller, idOf(params), body),
);
