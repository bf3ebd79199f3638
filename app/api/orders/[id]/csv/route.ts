import { z } from 'zod';
import { fileAnswer, handle, idOf } from '@/app/handle';
import { orderTable } from '@/service/orders/orders';

/** An order's lines as CSV. */
export const GET = handle('costs.read', z.null(), async (caller, _, params) =>
  fileAnswer(await orderTable(caller, idOf(params)), 'text/csv; charset=utf-8'),
);
