import { handle, idOf } from '@/app/handle';
import { mergeSellers, mergeSellersSchema } from '@/service/sellers';

/** Makes one seller of two. */
export const POST = handle('offers.price', mergeSellersSchema, (caller, body, params) =>
  mergeSellers(caller, idOf(params), body),
);
