import { handle, idOf } from '@/app/handle';
import { mergeSellers, mergeSellersSchema } from '@/service/market/sellers';

/** Makes one seller of two. */
export const POST = handle('offers.price', mergeSellersSchema, (caller, body, params) =>
  mergeSellers(caller, idOf(params), body),
);
