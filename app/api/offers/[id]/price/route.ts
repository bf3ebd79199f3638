import { handle, idOf } from '@/app/handle';
import { changePrice, priceSchema } from '@/service/job/options/prices';

/** Notes a new price of an offer. */
export const POST = handle('offers.price', priceSchema, (caller, body, params) =>
  changePrice(caller, idOf(params), body),
);
