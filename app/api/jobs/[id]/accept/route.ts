import { handle, idOf } from '@/app/handle';
import { acceptSpoken, spokenYesSchema } from '@/service/job/quote/accept';

/** A customer's yes that was said at the counter or on the telephone. */
export const POST = handle('quotes.send', spokenYesSchema, (caller, yes, params) =>
  acceptSpoken(caller, idOf(params), yes),
);
