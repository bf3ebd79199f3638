import { handle, idOf } from '@/app/handle';
import { correctColumns, correctSchema, fixRow, fixSchema } from '@/service/price-lists';

/** Reads a list by corrected columns, which the seller's next list goes by. */
export const PUT = handle('offers.price', correctSchema, (caller, body, params) =>
  correctColumns(caller, idOf(params), body),
);

/** Notes what a person says of a doubtful row; null forgets it. */
export const PATCH = handle('offers.price', fixSchema, (caller, body, params) => fixRow(caller, idOf(params), body));
