import { z } from 'zod';
import { handle } from '@/app/handle';
import { refreshPrices } from '@/service/market/feeds';

/** Asks the sellers' feeds for today's prices. */
export const POST = handle('offers.price', z.null(), (caller) => refreshPrices(caller));
