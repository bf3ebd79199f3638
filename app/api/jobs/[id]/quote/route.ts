import { handle, idOf } from '@/app/handle';
import { sendQuote, sendSchema } from '@/service/job/quote/quote';

/** Sends the draft at the totals the sender saw; answers its number and the link's token once it is on disk. */
export const POST = handle('quotes.send', sendSchema, (caller, body, params) => sendQuote(caller, idOf(params), body));
