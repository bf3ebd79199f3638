import { handle, idOf } from '@/app/handle';
import { saveSeller, sellerSchema } from '@/service/market/sellers';

/** Writes a seller's terms; what it printed is counted by them from now on. */
export const PUT = handle('offers.price', sellerSchema, (caller, body, params) =>
  saveSeller(caller, idOf(params), body),
);
