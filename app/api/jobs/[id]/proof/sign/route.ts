import { handle, idOf } from '@/app/handle';
import { signSchema, signTheProof } from '@/service/job/proof/sign-proof';

/** The technician signs. */
export const POST = handle('proofs.sign', signSchema, (caller, input, params) =>
  signTheProof(caller, idOf(params), input),
);
