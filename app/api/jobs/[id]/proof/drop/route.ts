import { handle, idOf } from '@/app/handle';
import { dropProofSchema, takeProofOut } from '@/service/job/proof/proof';

/** Takes a proof out that nobody signed. */
export const POST = handle('jobs.write', dropProofSchema, (caller, input, params) =>
  takeProofOut(caller, idOf(params), input),
);
