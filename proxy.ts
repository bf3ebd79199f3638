import { type NextRequest, NextResponse } from 'next/server';

/** What a page may load: only from here, scripts only with this answer's nonce. */
function policy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "worker-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Gives every answer its security headers, and its request an id to be found by in the log. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = btoa(crypto.randomUUID());
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('x-request-id', crypto.randomUUID());
  headers.set('x-path', request.nextUrl.pathname + request.nextUrl.search);
  headers.set('content-security-policy', policy(nonce));
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy(nonce));
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'no-referrer');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  return response;
}

// Price lists are sent as they are, of any length: what goes through here would be held in memory, and cut. What customers
// get has its headers from `app/quote-file.ts`: it is asked for often, and needs no nonce.
export const config = {
  matcher: ['/((?!_next/static|_next/image|icon.svg|q/|customer/|api/sellers/[0-9]+/lists$).*)'],
};
