import { handle, idOf } from '@/app/handle';
import { askedOfferSchema, askOffer } from '@/service/job/options/ask-offer';

/** Begins a set with an offer that the ladder need not have. */
export const POST = handle('jobs.write', askedOfferSchema, (caller, body, params) =>
  askOffer(caller, idOf(params), body),
);
