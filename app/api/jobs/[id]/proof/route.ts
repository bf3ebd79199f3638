import { handleWhole, idOf } from '@/app/handle';
import { machineIn } from '@/app/machine-in';
import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { takeProof } from '@/service/job/proof/proof';

/** Holds the report of the fitted machine against the accepted option. */
export const POST = handleWhole('jobs.write', MOST_READING_BYTES, (caller, file, params, request) =>
  takeProof(caller, idOf(params), file, machineIn(request.nextUrl.searchParams)),
);
