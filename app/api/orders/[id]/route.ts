import { handle, idOf } from '@/app/handle';
import { changeOrder, orderChangeSchema } from '@/service/orders/orders';

/** Notes what became of an order or of a line of it. */
export const POST = handle('jobs.write', orderChangeSchema, (caller, change, params) =>
  changeOrder(caller, idOf(params), change),
);
