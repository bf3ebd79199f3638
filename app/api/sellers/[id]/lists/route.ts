import { handleFile, idOf } from '@/app/handle';
import { takeList } from '@/service/market/price-lists';

/** Keeps a price list to be looked at, sent as it is; nothing on the market changes. */
export const POST = handleFile('offers.price', (caller, file, params) => takeList(caller, idOf(params), file));
