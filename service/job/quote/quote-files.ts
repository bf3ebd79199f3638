import { LRUCache } from 'lru-cache';
import type { CustomerQuote } from '../../../core/quoting/customer-view';
import { ublQuotation } from '../../../core/quoting/paper/ubl-quotation';
import { quoteCsv } from '../../../outward/papers/quote-csv';
import { quotePdf } from '../../../outward/papers/quote-pdf';
import { ublXml } from '../../../outward/papers/ubl-xml';
import { printableLogo } from '../../../outward/pictures/logo-picture';
import { pool } from '../../../store/database';
import { getPaper, keepPaper } from '../../../store/job/quote-papers';
import { getLogo, getShop } from '../../../store/shop/shop';
import { type LogoFile, logoFile } from '../../shop/logo';
import { stampOfLink } from '../options/page-stamps';
import { openQuote } from './quote';
import { contentCode, quoteBytes } from './quote-content';
import { isToken } from './quote-links';

export interface QuoteFile {
  name: string;
  bytes: Buffer;
}

/** Papers that were asked for lately, by their quotes. */
const papers = new LRUCache<number, Buffer>({ maxSize: 32 * 1024 * 1024, sizeCalculation: (pdf) => pdf.length });
/** Papers that are being made: anyone who asks meanwhile waits for the same one. */
const making = new Map<number, Promise<Buffer>>();

async function makePaper(quoteId: number, quote: CustomerQuote): Promise<Buffer> {
  const { paper, hasLogo } = await getShop(pool());
  const style = { paper, logo: hasLogo ? await printableLogo(await getLogo(pool())) : null };
  const pdf = await quotePdf(quote, contentCode(quote), style);
  await keepPaper(pool(), quoteId, pdf);
  // Where another process was first, its bytes are the ones.
  return (await getPaper(pool(), quoteId)) ?? pdf;
}

/** The PDF of a sent quote, as the shop printed when it was first asked for: made once, and the same bytes ever after. */
export async function paperOf(quoteId: number, quote: () => Promise<CustomerQuote>): Promise<Buffer> {
  const known = papers.get(quoteId) ?? (await getPaper(pool(), quoteId));
  if (known !== null) {
    papers.set(quoteId, known);
    return known;
  }
  const begun = making.get(quoteId) ?? quote().then((sent) => makePaper(quoteId, sent));
  making.set(quoteId, begun);
  try {
    const pdf = await begun;
    papers.set(quoteId, pdf);
    return pdf;
  } finally {
    making.delete(quoteId);
  }
}

/** The PDF behind a customer's link; null for any token that opens nothing. */
export async function quotePaper(token: string): Promise<QuoteFile | null> {
  if (!isToken(token)) return null;
  const found = await stampOfLink(token);
  if (found === null) return null;
  const bytes = await paperOf(found.quoteId, async () => {
    const opened = await openQuote(token);
    if (opened === null) throw new Error('a link was withdrawn while its paper was made');
    return opened.quote;
  });
  return { name: `quote-${found.number}.pdf`, bytes };
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

/** The shop's mark behind a customer's link; null: there is no such quote, or no mark. */
export async function logoByLink(token: string): Promise<LogoFile | null> {
  return (await openQuote(token)) === null ? null : logoFile();
}
