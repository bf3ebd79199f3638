import { handle, idOf } from '@/app/handle';
import { typedProofSchema, typeProof } from '@/service/job/proof/proof';

/** What somebody read off the screen. */
export const POST = handle('jobs.write', typedProofSchema, (caller, input, params) =>
  typeProof(caller, idOf(params), input),
);
