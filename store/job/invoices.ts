import type { Invoice, PaymentWay } from '../../core/invoicing/invoice';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';
import { LEAD } from './groups';

/** An issued invoice. Days `YYYY-MM-DD` where the shop is. */
export interface StoredInvoice {
  id: number;
  jobId: number;
  quoteId: number;
  number: string;
  snapshot: Invoice;
  issuedBy: string | null;
  /** it was wrong, and does not count any more */
  cancelled: { on: string; by: string | null; why: string } | null;
}

const INVOICES = `select invoice.id, job_id as "jobId", quote_id as "quoteId", number, snapshot, issuer.name as "issuedBy",
    case when cancelled_at is not null then jsonb_build_object(
      'on', (cancelled_at at time zone (select time_zone from shop))::date::text, 'by', canceller.name, 'why', cancelled_why) end
      as cancelled
  from invoice left join staff as issuer on issuer.id = issued_by left join staff as canceller on canceller.id = cancelled_by`;
type InvoiceRow = StoredInvoice & Record<string, unknown>;

/** Invoices of a job, or of the job that leads its groups, the last first; cancelled ones too. */
export async function listInvoices(db: Queryable, jobId: number): Promise<StoredInvoice[]> {
  return many<InvoiceRow>(db, `${INVOICES} where job_id = ${LEAD} order by invoice.id desc`, [jobId]);
}

/** The invoice of a quote that counts; null: there is none. */
export async function invoiceOfQuote(db: Queryable, quoteId: number): Promise<StoredInvoice | null> {
  return maybeOne<InvoiceRow>(db, `${INVOICES} where quote_id = $1 and cancelled_at is null`, [quoteId]);
}

/** The next number of a year. Its row stays locked until the transaction ends, so numbers have no gaps. */
export async function takeInvoiceNumber(db: Queryable, year: number): Promise<string> {
  const row = await one<{ last: number }>(
    db,
    `insert into invoice_number (year, last) values ($1, 1)
     on conflict (year) do update set last = invoice_number.last + 1 returning last`,
    [year],
  );
  return `INV-${year}-${String(row.last).padStart(4, '0')}`;
}

export async function insertInvoice(
  db: Queryable,
  { jobId, quoteId, snapshot }: Pick<StoredInvoice, 'jobId' | 'quoteId' | 'snapshot'>,
  staffId: number,
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into invoice (job_id, quote_id, number, snapshot, issued_by) values ($1, $2, $3, $4, $5) returning id`,
    [jobId, quoteId, snapshot.number, snapshot, staffId],
  );
  return id;
}

/** Cancels an invoice; false: it is cancelled already. */
export async function cancelInvoice(db: Queryable, id: number, why: string, staffId: number): Promise<boolean> {
  const text = `update invoice set cancelled_at = now(), cancelled_by = $3, cancelled_why = $2
    where id = $1 and cancelled_at is null`;
  return (await run(db, text, [id, why, staffId])) > 0;
}

/** What a customer paid. */
export interface Payment {
  id: number;
  cents: number;
  /** `YYYY-MM-DD` */
  on: string;
  way: PaymentWay;
  note: string;
  by: string | null;
}

/** What was paid for a job, or for the job that leads its groups, the earliest first. */
export async function listPayments(db: Queryable, jobId: number): Promise<Payment[]> {
  return many<Payment & Record<string, unknown>>(
    db,
    `select payment.id, cents, paid_on::text as "on", way, note, staff.name as by
     from payment left join staff on staff.id = noted_by where job_id = ${LEAD} and taken_back_at is null
     order by paid_on, payment.id`,
    [jobId],
  );
}

export async function insertPayment(
  db: Queryable,
  jobId: number,
  { cents, on, way, note }: Omit<Payment, 'id' | 'by'>,
  staffId: number,
): Promise<void> {
  await run(db, 'insert into payment (job_id, cents, paid_on, way, note, noted_by) values ($1, $2, $3, $4, $5, $6)', [
    ...[jobId, cents, on, way, note, staffId],
  ]);
}

/** Takes back what was noted by mistake; false: it is no longer there. */
export async function takePaymentBack(db: Queryable, jobId: number, id: number): Promise<boolean> {
  const text = 'update payment set taken_back_at = now() where job_id = $1 and id = $2 and taken_back_at is null';
  return (await run(db, text, [jobId, id])) > 0;
}

/** An invoice as it is listed with others. Money minor units. */
export interface InvoiceRowOfAll {
  jobId: number;
  number: string;
  customer: string;
  issuedOn: string;
  dueOn: string;
  totalCents: number;
  paidCents: number;
  currency: string;
  cancelled: boolean;
}

/** A window of all invoices, the last first. @param openOnly those that are neither paid nor cancelled */
export async function listAllInvoices(
  db: Queryable,
  { most, after, openOnly }: { most: number; after: number; openOnly: boolean },
): Promise<InvoiceRowOfAll[]> {
  return many<InvoiceRowOfAll & Record<string, unknown>>(
    db,
    `select * from (
       select invoice.id, job_id as "jobId", number, snapshot -> 'customer' ->> 'name' as customer,
         snapshot ->> 'issuedOn' as "issuedOn", snapshot ->> 'dueOn' as "dueOn", (snapshot ->> 'totalCents')::integer as "totalCents",
         (select coalesce(sum(cents), 0)::integer from payment where payment.job_id = invoice.job_id and taken_back_at is null)
           as "paidCents",
         snapshot ->> 'currency' as currency, cancelled_at is not null as cancelled
       from invoice
     ) as listed
     where not $3::boolean or (not cancelled and "paidCents" < "totalCents") order by id desc limit $1 offset $2`,
    [most, after, openOnly],
  );
}
