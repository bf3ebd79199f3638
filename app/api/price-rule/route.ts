import { handle } from '@/app/handle';
import { priceRuleSchema, savePriceRule } from '@/service/shop/price-rule';

/** Writes how the shop makes its prices from what parts cost it. */
export const PUT = handle('shop.settings', priceRuleSchema, savePriceRule);
