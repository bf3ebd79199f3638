import { type InvoiceState, invoiceState } from '../../../core/invoicing/invoice';
import { pool } from '../../../store/database';
import { type InvoiceRowOfAll, listAllInvoices } from '../../../store/job/invoices';
import { shopDay } from '../../../store/shop/shop';
import type { Caller } from '../../staff/access';

/** Invoices on one page of the list. */
const PAGE = 50;

/** An invoice of the list; `state` null: it is cancelled. */
export interface ListedInvoice extends Omit<InvoiceRowOfAll, 'cancelled'> {
  state: InvoiceState | null;
}

/** All invoices, the last first. @param openOnly those that are neither paid nor cancelled. @param page from 1 */
export async function listInvoicesOfAll(
  _: Caller<'jobs.read'>,
  { openOnly, page }: { openOnly: boolean; page: number },
): Promise<{ invoices: ListedInvoice[]; hasMore: boolean }> {
  const [rows, today] = await Promise.all([
    listAllInvoices(pool(), { most: PAGE + 1, after: (page - 1) * PAGE, openOnly }),
    shopDay(pool()),
  ]);
  return {
    invoices: rows.slice(0, PAGE).map(({ cancelled, ...one }) => ({
      ...one,
      state: cancelled ? null : invoiceState(one, one.paidCents, today),
    })),
    hasMore: rows.length > PAGE,
  };
}
