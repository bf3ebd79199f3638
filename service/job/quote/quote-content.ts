import { createHash } from 'node:crypto';
import { canonicalJson } from '../../../core/canonical-json';
import type { CustomerQuote } from '../../../core/quoting/customer-view';

/** A quote as data, just the bytes that its code is made of (canonical JSON, RFC 8785). */
export function quoteBytes(quote: CustomerQuote): Buffer {
  return Buffer.from(canonicalJson(quote), 'utf8');
}

/** What tells one version of a quote from any other: the SHA-256 of its content (FIPS 180-4), 64 letters of hexadecimal. */
export function contentCode(quote: CustomerQuote): string {
  return createHash('sha256').update(quoteBytes(quote)).digest('hex');
}
