import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { environment } from '../../../runtime/environment';
import { pool } from '../../../store/database';
import { insertLink, isOpenLink, linksOfQuotesOf, listLinks, type StoredLink } from '../../../store/job/quote-links';
import type { Queryable } from '../../../store/queryable';

const NONCE_BYTES = 16;
const KEY_BYTES = 32;

const held = globalThis as { fenbrikKey?: Buffer };

/**
 * The server's own key, which no database holds: `FENBRIK_KEY`, 64 letters of hexadecimal, as the start command makes it. A
 * process without one makes its own: its links open, but a later process cannot show them again.
 */
function serverKey(): Buffer {
  const { FENBRIK_KEY: set } = environment();
  if (set !== undefined) return Buffer.from(set, 'hex');
  held.fenbrikKey ??= randomBytes(KEY_BYTES);
  return held.fenbrikKey;
}

/** What the key is told by, without telling it: the first bytes of its SHA-256. */
export const keyMark = (): Buffer => createHash('sha256').update(serverKey()).digest().subarray(0, 8);

/** The unguessable part of a link: 256 bits, HMAC-SHA-256 (RFC 2104) of its nonce. */
const tokenOf = (nonce: Buffer): string =>
  createHmac('sha256', serverKey()).update('quote link ').update(nonce).digest('base64url');

/** What is kept of it. */
export const linkHash = (token: string): Buffer => createHash('sha256').update(token).digest();

/** Makes a link that opens a sent quote; its unguessable part is told once here, and to staff who ask for it. */
export async function makeLink(db: Queryable, quoteId: number, staffId: number | null): Promise<string> {
  const nonce = randomBytes(NONCE_BYTES);
  const token = tokenOf(nonce);
  await insertLink(db, { quoteId, nonce, tokenHash: linkHash(token), keyMark: keyMark() }, staffId);
  return token;
}

/** The unguessable part of a kept link; null: it cannot be told any more, since it was made with another key or none. */
function tokenOfLink({ nonce, tokenHash }: StoredLink): string | null {
  if (nonce === null) return null;
  const token = tokenOf(nonce);
  return timingSafeEqual(linkHash(token), tokenHash) ? token : null;
}

/** How a sent quote can be reached. */
export interface QuoteLink {
  /** null: there is a link, but it cannot be shown any more */
  token: string | null;
}

/** The newest link of each of these quotes; a quote without one has had its links withdrawn. */
export async function linksOf(db: Queryable, quoteIds: readonly number[]): Promise<Map<number, QuoteLink>> {
  return newestOf(quoteIds.length === 0 ? [] : await listLinks(db, quoteIds));
}

/** The same of all quotes of a job. */
export async function linksOfJob(db: Queryable, jobId: number): Promise<Map<number, QuoteLink>> {
  return newestOf(await linksOfQuotesOf(db, jobId));
}

const newestOf = (links: readonly StoredLink[]): Map<number, QuoteLink> =>
  new Map(links.toReversed().map((link) => [link.quoteId, { token: tokenOfLink(link) }]));

/** Can it be the unguessable part of a link? */
export const isToken = (token: string): boolean => /^[A-Za-z0-9_-]{32,64}$/.test(token);

/** Does this open a quote? Asked before anything that was sent with it is read. */
export async function opensQuote(token: string): Promise<boolean> {
  return isToken(token) && isOpenLink(pool(), linkHash(token));
}
