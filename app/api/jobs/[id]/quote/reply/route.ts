import { handle, idOf } from '@/app/handle';
import { replySchema, replyTo } from '@/service/job/quote/quote-answers';

/** Answers what a customer asked on the quote's page. */
export const POST = handle('jobs.write', replySchema, (caller, body, params) => replyTo(caller, idOf(params), body));
