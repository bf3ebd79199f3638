import { handle, idOf } from '@/app/handle';
import { confirmProof, confirmProofSchema } from '@/service/job/proof/proof';

/** A report that was kept apart is this machine’s all the same. */
export const POST = handle('jobs.write', confirmProofSchema, (caller, input, params) =>
  confirmProof(caller, idOf(params), input),
);
