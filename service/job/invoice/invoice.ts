import { z } from 'zod';
import { daySchema, idSchema } from '../../../core/bounds';
import { invoiceSchema, makeInvoice, PAYMENT_WAYS } from '../../../core/invoicing/invoice';
import { INVOICE_WORDS } from '../../../core/invoicing/invoice-words';
import { customerOnPaper } from '../../../core/quoting/customer-on-paper';
import { settledOption } from '../../../core/quoting/on-condition';
import { languageOfQuote } from '../../../core/quoting/words/in-language';
import { shopOnPaper } from '../../../core/shop/shop-on-paper';
import {
  cancelInvoice,
  insertInvoice,
  insertPayment,
  type Payment,
  takeInvoiceNumber,
  takePaymentBack,
} from '../../../store/job/invoices';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { isFitted, isProved } from '../bench/job-work';
import { changeJob } from '../change-job';

const NOTHING_ACCEPTED = 'No option is accepted yet: there is nothing to pay.';

export const issueSchema = z.strictObject({
  /** the day of the supply, which the tax goes by */
  suppliedOn: daySchema,
});

/** Makes the accepted option into an invoice: numbered without gaps, frozen from then on. */
export async function issueInvoice(
  caller: Caller<'quotes.send'>,
  jobId: number,
  { suppliedOn }: z.infer<typeof issueSchema>,
): Promise<Result<{ number: string }>> {
  return changeJob(caller, jobId, {
    kind: 'invoice-issued',
    detail: { suppliedOn },
    ofLead: true,
    needs: ['work'],
    work: async (db, { work, job, shop, today }) => {
      const { accepted, invoices, payments } = work;
      if (accepted === null) return fault('conflict', NOTHING_ACCEPTED);
      // One of a quote before a change order counts until it is cancelled, too.
      const counts = invoices.find(({ cancelled }) => cancelled === null);
      if (counts !== undefined) return fault('conflict', `It is invoiced already, as ${counts.number}.`);
      if (!isFitted(work) && !isProved(work))
        return fault('conflict', 'What is invoiced has to be supplied: finish Fitting first.');
      if (suppliedOn > today) return fault('bad-input', 'The day of the supply cannot be in the future.');
      if (suppliedOn < accepted.on)
        return fault('bad-input', 'The day of the supply cannot be before the customer accepted.');
      const snapshot = invoiceSchema.parse(
        makeInvoice({
          number: await takeInvoiceNumber(db, Number(today.slice(0, 4))),
          issuedOn: today,
          suppliedOn,
          days: shop.invoiceDays,
          quote: accepted.quote.snapshot,
          option:
            work.notWorking === null
              ? accepted.whole
              : settledOption(accepted.whole, INVOICE_WORDS[languageOfQuote(accepted.quote.snapshot)].notWorking),
          acceptedOn: accepted.on,
          shop: shopOnPaper(shop),
          customer: customerOnPaper(job.customer),
          prepaid: payments.map(({ on, cents, way }) => ({ on, cents, way })),
        }),
      );
      await insertInvoice(db, { jobId: job.id, quoteId: accepted.quote.id, snapshot }, caller.id);
      return done({ number: snapshot.number });
    },
  });
}

export const cancelInvoiceSchema = z.strictObject({
  why: z
    .string()
    .trim()
    .min(1, 'Enter why it is cancelled: it stands on the paper.')
    .max(300, 'At most 300 characters, please.'),
});

/** Cancels an invoice that is wrong: it stays with its number, and another can be issued. */
export async function cancelTheInvoice(
  caller: Caller<'quotes.send'>,
  jobId: number,
  { why }: z.infer<typeof cancelInvoiceSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'invoice-cancelled',
    detail: { why },
    ofLead: true,
    needs: ['work'],
    work: async (db, { work }) => {
      const counts = work.invoices.find(({ cancelled }) => cancelled === null);
      if (counts === undefined) return fault('conflict', 'There is no invoice to cancel.');
      await cancelInvoice(db, counts.id, why, caller.id);
      return done(null);
    },
  });
}

export const paymentSchema = z.strictObject({
  cents: z.number().int().min(1, 'A payment is more than 0.').max(1_000_000_000, 'That is too much.'),
  on: daySchema,
  way: z.enum(PAYMENT_WAYS),
  note: z.string().trim().max(200, 'At most 200 characters, please.').default(''),
});

/** Notes what a customer paid: a deposit, or the rest. */
export async function notePayment(
  caller: Caller<'jobs.write'>,
  jobId: number,
  payment: z.infer<typeof paymentSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'payment-noted',
    detail: payment,
    ofLead: true,
    needs: ['work'],
    work: async (db, { work, job, today }) => {
      if (work.accepted === null) return fault('conflict', NOTHING_ACCEPTED);
      if (payment.on > today) return fault('bad-input', 'A payment cannot be of a day in the future.');
      await insertPayment(db, job.id, payment, caller.id);
      return done(null);
    },
  });
}

export const paymentBackSchema = z.strictObject({ payment: idSchema });

/** Takes back a payment that was noted by mistake; one that stands on an invoice stays. */
export async function takeBackPayment(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { payment }: z.infer<typeof paymentBackSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'payment-taken-back',
    detail: { payment },
    ofLead: true,
    needs: ['work'],
    work: async (db, { work, job }) => {
      const counts = work.invoices.find(({ cancelled }) => cancelled === null);
      const noted = work.payments.find(({ id }) => id === payment);
      const isSame = ({ on, cents, way }: Pick<Payment, 'on' | 'cents' | 'way'>) =>
        on === noted?.on && cents === noted.cents && way === noted.way;
      // Of equal payments as many stay as stand on the invoice.
      const onPaper = counts?.snapshot.prepaid.filter(isSame).length ?? 0;
      if (noted !== undefined && work.payments.filter(isSame).length <= onPaper)
        return fault('conflict', 'This payment stands on the invoice: cancel the invoice first.');
      return (await takePaymentBack(db, job.id, payment))
        ? done(null)
        : fault('conflict', 'This payment was taken back already.');
    },
  });
}
