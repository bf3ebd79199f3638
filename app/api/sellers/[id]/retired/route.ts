import { handle, idOf } from '@/app/handle';
import { retireSchema, retireSeller } from '@/service/market/sellers';

/** Buys nothing of a seller any more, or does again. */
export const PUT = handle('offers.price', retireSchema, (caller, body, params) =>
  retireSeller(caller, idOf(params), body),
);
