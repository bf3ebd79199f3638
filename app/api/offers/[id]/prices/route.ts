import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { pricesOf } from '@/service/market/market';

/** Every price that an offer had. */
export const POST = handle('costs.read', z.null(), (caller, _, params) => pricesOf(caller, idOf(params)));
