import { quotePdf } from '../outward/quote-pdf';
import { openQuote } from './quote';

export interface Paper {
  fileName: string;
  bytes: Buffer;
}

/** The PDF behind a customer's link; null for any token that opens nothing. */
export async function quotePaper(token: string): Promise<Paper | null> {
  const opened = await openQuote(token);
  if (opened === null) return null;
  return { fileName: `quote-${opened.quote.number}.pdf`, bytes: await quotePdf(opened.quote, opened.code) };
}
