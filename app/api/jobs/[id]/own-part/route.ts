import { handle, idOf } from '@/app/handle';
import { ownPartSchema, takeOwnPart } from '@/service/market/own-part';

/** Takes down modules that the customer brings. */
export const POST = handle('jobs.write', ownPartSchema, (caller, input, params) =>
  takeOwnPart(caller, idOf(params), input),
);
