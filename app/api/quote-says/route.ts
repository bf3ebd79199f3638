import { handle } from '@/app/handle';
import { quoteSaysSchema, saveQuoteSays } from '@/service/shop/quote-says';

/** The guarantee that quotes promise, and whether they say what a GB costs. */
export const PUT = handle('shop.settings', quoteSaysSchema, saveQuoteSays);
