import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

/** What a page of the staff may load: only from here, scripts only with this answer's nonce. */
const PRODUCTION = {
  script: '',
  style: (nonce: string) => `'nonce-${nonce}'`,
  worker: '',
  connect: '',
};
/** While the code is worked on, changed code comes through a socket, is evaluated, and brings styles of its own. */
const DEVELOPMENT: typeof PRODUCTION = {
  script: " 'unsafe-eval'",
  style: () => "'unsafe-inline'",
  worker: ' blob:',
  connect: ' ws: wss:',
};

const policy = (nonce: string, more: typeof PRODUCTION): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${more.script}`,
    `style-src-elem 'self' ${more.style(nonce)}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    `worker-src 'self'${more.worker}`,
    `connect-src 'self'${more.connect}`,
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
 * @param dev the code is worked on: changed code may be loaded
 */
export function secureHeaders(
  request: IncomingMessage,
  response: ServerResponse,
  { isPage, secure, dev = false }: { isPage: boolean; secure: boolean; dev?: boolean },
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
  const told = policy(nonce, dev ? DEVELOPMENT : PRODUCTION);
  request.headers['content-security-policy'] = told;
  response.setHeader('content-security-policy', told);
}
