import { ublQuotation } from '../core/quoting/ubl-quotation';
import { printableLogo } from '../outward/logo-picture';
import { quoteCsv } from '../outward/quote-csv';
import { quotePdf } from '../outward/quote-pdf';
import { ublXml } from '../outward/ubl-xml';
import { pool } from '../store/database';
import { getLogo, getShop } from '../store/shop';
import { type OpenedQuote, openQuote } from './quote';
import { quoteBytes } from './quote-content';

export interface QuoteFile {
  name: string;
  bytes: Buffer;
}

/** The PDF of a quote, as the shop prints. */
export async function paperOf({ quote, code }: Pick<OpenedQuote, 'quote' | 'code'>): Promise<QuoteFile> {
  const { paper, hasLogo } = await getShop(pool());
  const style = { paper, logo: hasLogo ? await printableLogo(await getLogo(pool())) : null };
  return { name: `quote-${quote.number}.pdf`, bytes: await quotePdf(quote, code, style) };
}

/** The PDF behind a customer's link; null for any token that opens nothing. */
export async function quotePaper(token: string): Promise<QuoteFile | null> {
  const opened = await openQuote(token);
  return opened && paperOf(opened);
}

/** The quote as data: the bytes that its code is made of. */
export async function quoteJson(token: string): Promise<QuoteFile | null> {
  const opened = await openQuote(token);
  return opened && { name: `quote-${opened.quote.number}.json`, bytes: quoteBytes(opened.quote) };
}

/** Its lines as a table. */
export async function quoteTable(token: string): Promise<QuoteFile | null> {
  const opened = await openQuote(token);
  return opened && { name: `quote-${opened.quote.number}.csv`, bytes: Buffer.from(quoteCsv(opened.quote), 'utf8') };
}

/** One of its options as UBL 2.3 Quotation; null as well where it has no such option. */
export async function quoteXml(token: string, place: number): Promise<QuoteFile | null> {
  const opened = await openQuote(token);
  const option = opened?.quote.options.find((one) => one.place === place);
  if (opened === null || option === undefined) return null;
  const { quote } = opened;
  return { name: `quote-${quote.number}-${place}.xml`, bytes: ublXml(ublQuotation(quote, option)) };
}
