import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { mailOrder } from '@/service/mail';

/** Mails an order to its seller. */
export const POST = handle('jobs.write', z.null(), (caller, _, params, base) => mailOrder(caller, idOf(params), base));
