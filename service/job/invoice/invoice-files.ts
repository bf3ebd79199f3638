import { ublInvoice } from '../../../core/invoicing/ubl-invoice';
import { invoicePdf } from '../../../outward/papers/invoice-pdf';
import { ublXml } from '../../../outward/papers/ubl-xml';
import { printableLogo } from '../../../outward/pictures/logo-picture';
import { pool } from '../../../store/database';
import { invoiceOfQuote, listInvoices, type StoredInvoice } from '../../../store/job/invoices';
import { findLinked } from '../../../store/job/quotes';
import { getLogo, getShop } from '../../../store/shop/shop';
import type { Caller } from '../../staff/access';
import type { QuoteFile } from '../quote/quote-files';
import { isToken, linkHash } from '../quote/quote-links';

async function pdfOf({ number, snapshot, cancelled }: StoredInvoice): Promise<QuoteFile> {
  const { paper, hasLogo } = await getShop(pool());
  const style = { paper, logo: hasLogo ? await printableLogo(await getLogo(pool())) : null };
  return { name: `${number}.pdf`, bytes: await invoicePdf(snapshot, style, cancelled) };
}

const xmlOf = ({ number, snapshot }: StoredInvoice): QuoteFile => ({
  name: `${number}.xml`,
  bytes: ublXml(ublInvoice(snapshot)),
});

/** An invoice of a job by its number; null: it has no such one. */
async function ofJob(jobId: number, number: string): Promise<StoredInvoice | null> {
  return (await listInvoices(pool(), jobId)).find((one) => one.number === number) ?? null;
}

/** An invoice of a job as a PDF. */
export async function invoicePaper(_: Caller<'jobs.read'>, jobId: number, number: string): Promise<QuoteFile | null> {
  const invoice = await ofJob(jobId, number);
  return invoice && pdfOf(invoice);
}

/** The same as UBL 2.3 Invoice; null as well where it is cancelled, for no other program has to book it. */
export async function invoiceXml(_: Caller<'jobs.read'>, jobId: number, number: string): Promise<QuoteFile | null> {
  const invoice = await ofJob(jobId, number);
  return invoice === null || invoice.cancelled !== null ? null : xmlOf(invoice);
}

async function byLink(token: string): Promise<StoredInvoice | null> {
  if (!isToken(token)) return null;
  const sent = await findLinked(pool(), linkHash(token));
  return sent === null ? null : invoiceOfQuote(pool(), sent.id);
}

/** The invoice behind a customer's link, as a PDF; null: there is none. */
export async function invoiceByLink(token: string): Promise<QuoteFile | null> {
  const invoice = await byLink(token);
  return invoice && pdfOf(invoice);
}

/** The same as UBL 2.3 Invoice. */
export async function invoiceXmlByLink(token: string): Promise<QuoteFile | null> {
  const invoice = await byLink(token);
  return invoice && xmlOf(invoice);
}
