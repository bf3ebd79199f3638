import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

/** What a page of the staff may load: only from here, scripts only with this answer's nonce. */
const policy = (nonce: string): string =>
  [
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

/** Two years, RFC 6797. */
const HSTS = 'max-age=63072000';

/**
 * Gives an answer the headers that all of ours have. The framework reads the nonce off the request's own policy and
 * puts it on its scripts.
 *
 * @param isPage staff's pages and data; what customers get brings a stricter policy of its own
 */
export function secureHeaders(
  request: IncomingMessage,
  response: ServerResponse,
  { isPage, secure }: { isPage: boolean; secure: boolean },
): void {
  response.setHeader('x-content-type-options', 'nosniff');
  // No other site learns an address, which may be a customer's link. Without any referrer browsers would not say either that
  // a form is of this site (Fetch, "append a request Origin header"), and over plain HTTP nothing else tells.
  response.setHeader('referrer-policy', 'same-origin');
  response.setHeader('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  if (secure) response.setHeader('strict-transport-security', HSTS);
  if (!isPage) return;
  const nonce = Buffer.from(randomUUID()).toString('base64');
  request.headers['x-nonce'] = nonce;
  request.headers['content-security-policy'] = policy(nonce);
  response.setHeader('content-security-policy', policy(nonce));
}
