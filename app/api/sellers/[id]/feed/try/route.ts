import { handle, idOf } from '@/app/handle';
import { feedFormSchema, tryTheFeed } from '@/service/market/seller-feeds';

/** Asks a feed's address once and tells what would come of it. */
export const POST = handle('offers.price', feedFormSchema, (caller, body, params) =>
  tryTheFeed(caller, idOf(params), body),
);
