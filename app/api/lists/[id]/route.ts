import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { correctColumns, correctSchema, fixRow, fixSchema, lookAtWork } from '@/service/market/price-lists';

/** How a list is, and how far the work on it has come. */
export const GET = handle('offers.price', z.null(), (caller, _, params) => lookAtWork(caller, idOf(params)));

/** Reads a list by corrected columns, which the seller's next list goes by. */
export const PUT = handle('offers.price', correctSchema, (caller, body, params) =>
  correctColumns(caller, idOf(params), body),
);

/** Notes what a person says of a doubtful row; null forgets it. */
export const PATCH = handle('offers.price', fixSchema, (caller, body, params) => fixRow(caller, idOf(params), body));
