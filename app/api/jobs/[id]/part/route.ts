import { handleWhole, idOf } from '@/app/handle';
import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { takePart } from '@/service/market/new-part';

/** Makes a title with its price, or a seller's page, an offer of the job. */
export const POST = handleWhole('jobs.write', MOST_READING_BYTES, (caller, file, params) =>
  takePart(caller, idOf(params), file),
);
