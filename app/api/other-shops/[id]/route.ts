import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { dropShop, trustSchema, trustShop } from '@/service/library/other-shops';

/** Believes what another shop saw, or not. */
export const PUT = handle('shop.settings', trustSchema, (caller, body, params) =>
  trustShop(caller, idOf(params), body),
);

/** Takes out everything that it handed over. */
export const DELETE = handle('shop.settings', z.null(), (caller, _, params) => dropShop(caller, idOf(params)));
