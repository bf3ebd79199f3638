import { handle } from '@/app/handle';
import { exchangeRateSchema, noteRate } from '@/service/market/sellers';

/** Notes a dated rate into the shop's currency. */
export const POST = handle('offers.price', exchangeRateSchema, noteRate);
