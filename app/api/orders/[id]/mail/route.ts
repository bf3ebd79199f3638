import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { mailOrder } from '@/service/mail/mail';

/** Mails an order to its seller. */
export const POST = handle('orders.place', z.null(), (caller, _, params) => mailOrder(caller, idOf(params)));
