import type { NextRequest } from 'next/server';
import { caught } from '@/app/handle';
import { openQuote } from '@/service/quote';
import { quoteBytes } from '@/service/quote-content';

/** The customer's quote as data: the bytes that its code is made of. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const opened = await openQuote((await params).token);
    if (opened === null)
      return new Response('There is nothing here', { status: 404, headers: { 'content-type': 'text/plain' } });
    return new Response(new Uint8Array(quoteBytes(opened.quote)), {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="quote-${opened.quote.number}.json"`,
        'cache-control': 'private, no-store',
        'x-robots-tag': 'noindex',
      },
    });
  } catch (cause) {
    return caught(cause, request);
  }
}
