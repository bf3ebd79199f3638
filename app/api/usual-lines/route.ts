import { handle } from '@/app/handle';
import { saveUsualLines, usualLinesSchema } from '@/service/shop/usual-lines';

/** The lines that the shop adds to quotes time and again. */
export const PUT = handle('shop.settings', usualLinesSchema, saveUsualLines);
