import { handle, idOf } from '@/app/handle';
import { notePayment, paymentBackSchema, paymentSchema, takeBackPayment } from '@/service/job/invoice/invoice';

/** Notes what a customer paid. */
export const POST = handle('jobs.write', paymentSchema, (caller, input, params) =>
  notePayment(caller, idOf(params), input),
);

/** Takes back what was noted by mistake. */
export const DELETE = handle('jobs.write', paymentBackSchema, (caller, input, params) =>
  takeBackPayment(caller, idOf(params), input),
);
