import { handle, idOf } from '@/app/handle';
import { mailQuote, mailQuoteSchema } from '@/service/mail/mail';

/** Mails a sent version to its customer; answers once it is in the queue. */
export const POST = handle('quotes.send', mailQuoteSchema, (caller, body, params) =>
  mailQuote(caller, idOf(params), body),
);
