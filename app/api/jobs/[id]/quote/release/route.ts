import { handle, idOf } from '@/app/handle';
import { releaseOption, releaseSchema } from '@/service/job/quote/quote';

/** An owner lets an option of the draft go below the shop's lowest margin. */
export const POST = handle('quotes.below-lowest', releaseSchema, (caller, body, params) =>
  releaseOption(caller, idOf(params), body),
);
