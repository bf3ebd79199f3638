import { handle } from '@/app/handle';
import { addSeller, sellerSchema } from '@/service/market/sellers';

/** Makes a seller. */
export const POST = handle('offers.price', sellerSchema, addSeller);
