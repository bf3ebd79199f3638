import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { notWorkingSchema, settleNotWorking, takeBackNotWorking } from '@/service/job/bench/not-working';

/** Settles that an option agreed on condition does not work. */
export const POST = handle('proofs.sign', notWorkingSchema, (caller, input, params) =>
  settleNotWorking(caller, idOf(params), input),
);

/** Takes that back. */
export const DELETE = handle('proofs.sign', z.null(), (caller, _, params) => takeBackNotWorking(caller, idOf(params)));
