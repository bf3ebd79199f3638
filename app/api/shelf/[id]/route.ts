import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { takeOffShelf } from '@/service/market/shelf';

/** Takes a piece off our shelf for good. */
export const DELETE = handle('stock.write', z.null(), (caller, _, params) => takeOffShelf(caller, idOf(params)));
