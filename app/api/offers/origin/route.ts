import { handle } from '@/app/handle';
import { changeOrigins, manyOriginsSchema } from '@/service/market/originals';

/** Says of all offers that are found where they come from. */
export const POST = handle('offers.price', manyOriginsSchema, changeOrigins);
