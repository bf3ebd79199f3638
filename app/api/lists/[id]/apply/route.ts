import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { applyList, applySchema, undoList } from '@/service/market/apply-list';

/** Applies a list, all in one go. */
export const POST = handle('offers.price', applySchema, (caller, body, params) =>
  applyList(caller, idOf(params), body),
);

/** Undoes it whole. */
export const DELETE = handle('offers.price', z.null(), (caller, _, params) => undoList(caller, idOf(params)));
