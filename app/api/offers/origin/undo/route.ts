import { handle } from '@/app/handle';
import { undoOrigins, undoOriginsSchema } from '@/service/market/originals';

/** Puts back how origins stood before they were changed at once. */
export const POST = handle('offers.price', undoOriginsSchema, undoOrigins);
