import { z } from 'zod';
import { dayAfter } from '../day-count';
import { LANGUAGES } from '../language';
import { TAX_ROUNDINGS, TAX_WAYS } from '../pricing/bill';
import { customerOnPaperSchema, lineSchema, type QuoteOption, type QuoteSnapshot } from '../quoting/snapshot';
import { shopOnPaperSchema } from '../shop/shop-on-paper';

const cents = z.number().int();
const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);

/** Ways in which customers pay. */
export const PAYMENT_WAYS = ['cash', 'card', 'transfer', 'other'] as const;
export type PaymentWay = (typeof PAYMENT_WAYS)[number];

/**
 * An issued invoice with everything needed to print it again: `"fenbrik": "invoice/1"`. Money in minor units of `currency`, days
 * are calendar days in the shop's place.
 */
export const invoiceSchema = z.strictObject({
  fenbrik: z.literal('invoice/1'),
  number: z.string(),
  issuedOn: day,
  /** the day of the supply, which the tax goes by */
  suppliedOn: day,
  dueOn: day,
  /** the quote that was accepted, and which option of it */
  quote: z.strictObject({ number: z.string(), place: z.number().int(), acceptedOn: day }),
  currency: z.string(),
  language: z.enum(LANGUAGES),
  taxWay: z.enum(TAX_WAYS),
  taxRounding: z.enum(TAX_ROUNDINGS),
  exempt: z.string().optional(),
  taxBp: z.number().int().nonnegative(),
  shop: shopOnPaperSchema,
  customer: customerOnPaperSchema,
  machine: z.string(),
  lines: z.array(lineSchema),
  totalCents: cents,
  taxCents: cents,
  taxes: z.array(z.strictObject({ taxBp: z.number().int().nonnegative(), netCents: cents, taxCents: cents })),
  /** what was paid before it was issued, with its day */
  prepaid: z.array(z.strictObject({ on: day, cents, way: z.enum(PAYMENT_WAYS) })),
});
export type Invoice = z.infer<typeof invoiceSchema>;

export interface InvoiceInput {
  number: string;
  issuedOn: string;
  suppliedOn: string;
  /** it is due so many days after its day */
  days: number;
  quote: QuoteSnapshot;
  option: QuoteOption;
  acceptedOn: string;
  shop: Invoice['shop'];
  customer: Invoice['customer'];
  prepaid: Invoice['prepaid'];
}

/** The accepted option of a quote as an invoice: its lines and its tax are those of the quote, to the cent. */
export function makeInvoice(input: InvoiceInput): Invoice {
  const { number, issuedOn, suppliedOn, days, quote, option, acceptedOn, shop, customer, prepaid } = input;
  const { totalCents, taxCents } = option;
  const whole = [{ taxBp: quote.taxBp, netCents: totalCents - taxCents, taxCents }];
  return {
    fenbrik: 'invoice/1',
    number,
    issuedOn,
    suppliedOn,
    dueOn: dayAfter(issuedOn, days),
    quote: { number: quote.number, place: option.place, acceptedOn },
    currency: quote.currency,
    language: quote.language ?? 'en',
    taxWay: quote.taxWay ?? 'contained',
    taxRounding: quote.taxRounding ?? 'total',
    ...(quote.exempt !== undefined && { exempt: quote.exempt }),
    taxBp: quote.taxBp,
    shop,
    customer,
    machine: quote.machine.name,
    lines: option.lines,
    totalCents,
    taxCents,
    taxes: option.taxes ?? whole,
    prepaid,
  };
}

/** What is still due on the day of issue, minor units; below 0: so much was paid too much. */
export const dueCents = ({ totalCents, prepaid }: Pick<Invoice, 'totalCents' | 'prepaid'>): number =>
  totalCents - prepaid.reduce((sum, one) => sum + one.cents, 0);

export type InvoiceState = 'open' | 'overdue' | 'paid' | 'overpaid';

/** How an invoice stands with what was paid for its job by now. @param today `YYYY-MM-DD` */
export function invoiceState(
  { totalCents, dueOn }: Pick<Invoice, 'totalCents' | 'dueOn'>,
  paidCents: number,
  today: string,
): InvoiceState {
  if (paidCents > totalCents) return 'overpaid';
  if (paidCents === totalCents) return 'paid';
  return today > dueOn ? 'overdue' : 'open';
}
