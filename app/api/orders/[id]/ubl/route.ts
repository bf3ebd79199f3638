import { z } from 'zod';
import { fileAnswer, handle, idOf } from '@/app/handle';
import { orderXml } from '@/service/orders/orders';

/** An order as UBL 2.3 Order. */
export const GET = handle('costs.read', z.null(), async (caller, _, params) =>
  fileAnswer(await orderXml(caller, idOf(params)), 'application/xml'),
);
