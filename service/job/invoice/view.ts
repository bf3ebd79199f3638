import { type InvoiceState, invoiceState, type PaymentWay } from '../../../core/invoicing/invoice';
import { isFitted, isProved } from '../bench/job-work';
import type { JobWith } from '../slices/slice';

/** An invoice as its job shows it. Days `YYYY-MM-DD`, money minor units. */
export interface InvoiceView {
  number: string;
  issuedOn: string;
  issuedBy: string | null;
  suppliedOn: string;
  dueOn: string;
  totalCents: number;
  /** null: it is cancelled */
  state: InvoiceState | null;
  cancelled: { on: string; by: string | null; why: string } | null;
}

/** What a job comes to, what was paid of it, and its invoices. */
export interface MoneyView {
  totalCents: number;
  /** due when it was accepted; 0: nothing */
  depositCents: number;
  payments: { id: number; cents: number; on: string; way: PaymentWay; note: string; by: string | null }[];
  paidCents: number;
  /** the last first */
  invoices: InvoiceView[];
  /** everything is fitted, or proved: it can be invoiced */
  isSupplied: boolean;
  /** the day of the last signed proof, else today */
  suppliedOn: string;
}

/** @returns null: nothing is accepted */
export function moneyView({ work, today }: JobWith<'work'>): MoneyView | null {
  const { accepted, invoices, payments, proofs } = work;
  if (accepted === null) return null;
  const paidCents = payments.reduce((sum, { cents }) => sum + cents, 0);
  const signed = proofs.flatMap(({ quoteId, signedOn }) =>
    quoteId === accepted.quote.id && signedOn !== null ? [signedOn] : [],
  );
  return {
    totalCents: work.notWorking === null ? accepted.whole.totalCents : (accepted.whole.ifNot?.totalCents ?? 0),
    depositCents: accepted.whole.depositCents ?? 0,
    payments,
    paidCents,
    invoices: invoices.map(({ number, snapshot, issuedBy, cancelled }) => ({
      number,
      issuedOn: snapshot.issuedOn,
      issuedBy,
      suppliedOn: snapshot.suppliedOn,
      dueOn: snapshot.dueOn,
      totalCents: snapshot.totalCents,
      state: cancelled === null ? invoiceState(snapshot, paidCents, today) : null,
      cancelled,
    })),
    isSupplied: isFitted(work) || isProved(work),
    suppliedOn: work.notWorking?.on ?? signed.sort().at(-1) ?? today,
  };
}
