import { handle } from '@/app/handle';
import { placeOrder, placeOrderSchema } from '@/service/orders/orders';

/** Orders parts of one seller for their jobs. */
export const POST = handle('orders.place', placeOrderSchema, placeOrder);
