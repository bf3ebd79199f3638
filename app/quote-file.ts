import type { NextRequest } from 'next/server';
import { AWAY_HEADERS, awayPage } from '@/runtime/away-page';
import { databaseFault } from '@/runtime/database-faults';
import { caught } from './handle';

/** What every answer to a customer has: nothing may be guessed, told on, or asked of the telephone. */
export const SECURITY_HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
} as const;

/** What the customer's page may load: only from here. */
const POLICY = [
  "default-src 'none'",
  "script-src 'self'",
  "style-src 'self'",
  "img-src 'self'",
  "font-src 'self'",
  "connect-src 'self'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

/** The headers of the customer's page, which is asked about each time and kept by nobody else. */
export const pageHeaders = (): Record<string, string> => ({
  ...SECURITY_HEADERS,
  'content-security-policy': POLICY,
  'content-type': 'text/html; charset=utf-8',
  'cache-control': 'private, no-cache',
  'x-robots-tag': 'noindex',
});

/** A file that a customer's link leads to. */
export interface QuoteFile {
  type:
    | 'application/pdf'
    | 'application/json'
    | 'application/xml'
    | 'text/csv; charset=utf-8'
    | 'image/png'
    | 'image/jpeg';
  /** `inline` is shown, `attachment` is kept */
  as: 'inline' | 'attachment';
  name: string;
  bytes: Uint8Array;
}

/** The answer to a customer whose page or file could not be made: while the database is away a plain page, tried again. */
export function caughtForCustomer(cause: unknown, request: NextRequest): Response {
  const failed = databaseFault(cause);
  if (failed === null) return caught(cause, request);
  return new Response(awayPage(failed), { status: 503, headers: { ...SECURITY_HEADERS, ...AWAY_HEADERS } });
}

/** The answer to a link that opens nothing: nothing is told. */
export const nothingHere = (): Response =>
  new Response('There is nothing here', {
    status: 404,
    headers: { ...SECURITY_HEADERS, 'content-type': 'text/plain' },
  });

/** Hands out a file behind a customer's link; null: the link opens nothing, and nothing is told. */
export async function handOut(request: NextRequest, make: () => Promise<QuoteFile | null>): Promise<Response> {
  try {
    const file = await make();
    if (file === null) return nothingHere();
    return new Response(file.bytes as BodyInit, {
      headers: {
        ...SECURITY_HEADERS,
        'content-type': file.type,
        'content-disposition': `${file.as}; filename="${file.name}"`,
        'cache-control': 'private, no-store',
        'x-robots-tag': 'noindex',
      },
    });
  } catch (cause) {
    return caughtForCustomer(cause, request);
  }
}
