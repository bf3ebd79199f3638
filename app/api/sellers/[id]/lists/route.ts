import { handle, idOf } from '@/app/handle';
import { readingInput, readingInputSchema } from '@/app/reading-input';
import { takeList } from '@/service/price-lists';

/** Keeps a price list to be looked at; nothing on the market changes. */
export const POST = handle('offers.price', readingInputSchema, (caller, body, params) =>
  takeList(caller, idOf(params), readingInput(body)),
);
