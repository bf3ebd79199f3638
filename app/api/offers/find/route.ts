import { handle } from '@/app/handle';
import { askMarket, askMarketSchema, seenMarket } from '@/service/market/market';
import { done } from '@/service/result';
import { mayDo } from '@/service/staff/access';

/** Offers by what is typed or by what a job's machine takes. */
export const POST = handle('offers.read', askMarketSchema, async (caller, body) => {
  const market = await askMarket(caller, body);
  return market.ok ? done(seenMarket(market.value, mayDo(caller, 'costs.read'))) : market;
});
