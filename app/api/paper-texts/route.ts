import { handle } from '@/app/handle';
import { paperTextSchema, savePaperText } from '@/service/shop/quote-says';

/** A text of the shop that stands whole on quotes. */
export const PUT = handle('shop.settings', paperTextSchema, savePaperText);
