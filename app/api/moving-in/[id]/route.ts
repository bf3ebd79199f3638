import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { undoMovedIn } from '@/service/library/moving-in';

/** Undoes a file that was moved in. */
export const DELETE = handle('shop.settings', z.null(), (caller, _body, params) => undoMovedIn(caller, idOf(params)));
