import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { feedFormSchema, removeFeed, saveFeed } from '@/service/market/seller-feeds';

/** Writes where a seller's prices are asked for. */
export const PUT = handle('offers.price', feedFormSchema, (caller, body, params) =>
  saveFeed(caller, idOf(params), body),
);

/** Its prices are asked for no more. */
export const DELETE = handle('offers.price', z.null(), (caller, _, params) => removeFeed(caller, idOf(params)));
