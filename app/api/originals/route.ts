import { handle } from '@/app/handle';
import { settleOriginal, settleSchema } from '@/service/market/originals';

/** Says which model is meant by what originals are said to be for. */
export const POST = handle('offers.price', settleSchema, settleOriginal);
