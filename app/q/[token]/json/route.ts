import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { openQuote } from '@/service/quote';
import { quoteBytes } from '@/service/quote-content';

/** The customer's quote as data: the bytes that its code is made of. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const opened = await openQuote((await params).token);
    if (opened === null) return null;
    const { quote } = opened;
    return { type: 'application/json', as: 'attachment', name: `quote-${quote.number}.json`, bytes: quoteBytes(quote) };
  });
}
