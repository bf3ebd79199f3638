import { handle, idOf } from '@/app/handle';
import { cancelInvoiceSchema, cancelTheInvoice, issueInvoice, issueSchema } from '@/service/job/invoice/invoice';

/** Makes the accepted option into an invoice. */
export const POST = handle('quotes.send', issueSchema, (caller, input, params) =>
  issueInvoice(caller, idOf(params), input),
);

/** Cancels the invoice, which stays with its number. */
export const DELETE = handle('quotes.send', cancelInvoiceSchema, (caller, input, params) =>
  cancelTheInvoice(caller, idOf(params), input),
);
