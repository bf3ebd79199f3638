import { handle } from '@/app/handle';
import { addSeller, sellerSchema } from '@/service/sellers';

/** Makes a seller. */
export const POST = handle('offers.price', sellerSchema, addSeller);
