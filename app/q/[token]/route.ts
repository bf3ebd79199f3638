import type { NextRequest } from 'next/server';
import { enter } from '@/app/enter';
import { caughtForCustomer, pageHeaders } from '@/app/quote-file';
import { SESSION_COOKIE } from '@/runtime/request-headers';
import { showQuotePage } from '@/service/job/quote/quote-page';

/** A customer's quote. The token is all that opens it; any other leads to the same plain nothing. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const { token } = await params;
    // Anyone who is signed in looks at it for the shop.
    const isStaff = request.cookies.has(SESSION_COOKIE) && (await enter('jobs.read')).ok;
    const { status, text, etag } = await showQuotePage(token, !isStaff);
    const headers = { ...pageHeaders(), ...(etag !== undefined && { etag }) };
    if (etag !== undefined && request.headers.get('if-none-match') === etag)
      return new Response(null, { status: 304, headers });
    return new Response(text, { status, headers });
  } catch (cause) {
    return caughtForCustomer(cause, request);
  }
}
