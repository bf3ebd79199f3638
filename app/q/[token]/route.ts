import type { NextRequest } from 'next/server';
import { enter } from '@/app/enter';
import { caught } from '@/app/handle';
import { pageHeaders } from '@/app/quote-file';
import { SESSION_COOKIE } from '@/runtime/request-headers';
import { showQuotePage } from '@/service/quote-page';

/** A customer's quote. The token is all that opens it; any other leads to the same plain nothing. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const { token } = await params;
    // Whoever is signed in looks at it for the shop.
    const isStaff = request.cookies.has(SESSION_COOKIE) && (await enter('jobs.read')).ok;
    const { status, text } = await showQuotePage(token, !isStaff);
    return new Response(text, { status, headers: pageHeaders() });
  } catch (cause) {
    return caught(cause, request);
  }
}
