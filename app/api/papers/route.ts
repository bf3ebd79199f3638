import { handle } from '@/app/handle';
import { papersSchema, savePapers } from '@/service/shop/papers';

/** Writes what customers' papers are usually written in, and what they are printed on. */
export const PUT = handle('shop.settings', papersSchema, savePapers);
