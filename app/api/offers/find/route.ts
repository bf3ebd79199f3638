import { handle } from '@/app/handle';
import { askMarket, askMarketSchema } from '@/service/market';

/** A window of the offers that fit what was typed. Posted, since a wish may hold anything that somebody types. */
export const POST = handle('offers.read', askMarketSchema, (_, body) => askMarket(body));
