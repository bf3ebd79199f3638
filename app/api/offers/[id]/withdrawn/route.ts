import { handle, idOf } from '@/app/handle';
import { withdrawOffer, withdrawSchema } from '@/service/market/offers';

/** Takes an offer off the market, or puts it back. */
export const PUT = handle('offers.price', withdrawSchema, (caller, body, params) =>
  withdrawOffer(caller, idOf(params), body),
);
