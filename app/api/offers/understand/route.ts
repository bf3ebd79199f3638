import { handleWhole } from '@/app/handle';
import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { understandOffer } from '@/service/market/understand-offer';

/** What a title or a seller's page says of an offer. */
export const POST = handleWhole('offers.price', MOST_READING_BYTES, (caller, { input }) =>
  understandOffer(caller, input),
);
