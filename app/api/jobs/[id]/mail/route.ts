import { handle, idOf } from '@/app/handle';
import { mailAgain, resendSchema } from '@/service/mail/mail';

/** Sends a mail again that was refused, given up, or of which nobody knows whether it went. */
export const POST = handle('quotes.send', resendSchema, (caller, body, params) =>
  mailAgain(caller, idOf(params), body),
);
