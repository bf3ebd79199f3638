import { z } from 'zod';
import { couponSchema } from '../core/pricing/seller-terms';

/** A feed has so long to say everything, milliseconds. */
const TIMEOUT_MS = 5_000;
const MOST_BYTES = 8 * 1024 * 1024;

const amount = z.number().int().positive().max(10_000_000);
const itemSchema = z
  .strictObject({
    part: z.string().min(1).max(80),
    costCents: amount.optional(),
    printedCents: amount.optional(),
    coupon: couponSchema.nullish(),
    stock: z.number().int().nonnegative().max(1_000_000).nullable(),
  })
  .refine((item) => (item.costCents === undefined) !== (item.printedCents === undefined));
export type FeedItem = z.infer<typeof itemSchema>;

/**
 * A seller's price feed: `"fenbrik": "feed/1"`. Each item says what the shop pays (`costCents`, without tax) or what
 * the seller prints (`printedCents`, with a coupon where one runs), in minor units of `currency`.
 */
const feedSchema = z.strictObject({
  fenbrik: z.literal('feed/1'),
  currency: z.string().regex(/^[A-Z]{3}$/),
  items: z.array(itemSchema).max(20_000),
});

export type FetchedFeed =
  | { ok: true; changed: true; etag: string | null; currency: string; items: FeedItem[] }
  | { ok: true; changed: false; etag: string | null }
  | { ok: false; sentence: string };

const sick = (what: string): FetchedFeed => ({ ok: false, sentence: `${what}; prices stay as they were.` });

/** The body, or null where it is longer than a feed may be: no more of it is read then. */
async function boundedBody(response: Response): Promise<string | null> {
  const parts: Uint8Array[] = [];
  let bytes = 0;
  for await (const part of response.body ?? []) {
    bytes += part.length;
    if (bytes > MOST_BYTES) return null;
    parts.push(part);
  }
  return new TextDecoder().decode(Buffer.concat(parts));
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/**
 * Asks a seller's feed, and only for what is new since `etag` (RFC 9110 13.1.2). Never throws: a feed that is slow,
 * broken off, nonsense or away is said in a sentence.
 */
export async function fetchSellerFeed(url: string, etag: string | null): Promise<FetchedFeed> {
  const headers = { accept: 'application/json', ...(etag !== null && { 'if-none-match': etag }) };
  const patience = AbortSignal.timeout(TIMEOUT_MS);
  let begun = false;
  try {
    const response = await fetch(url, { headers, signal: patience, redirect: 'error' });
    begun = true;
    if (response.status === 304) return { ok: true, changed: false, etag };
    if (!response.ok) return sick(`the feed answered ${response.status}`);
    const text = await boundedBody(response);
    if (text === null) return sick('the feed is too large');
    const json = parsed(text);
    if (json === undefined) return sick('the feed broke off in the middle or is no JSON');
    const feed = feedSchema.safeParse(json);
    if (!feed.success) {
      const path = feed.error.issues[0]?.path.join('.') ?? '';
      return sick(`the feed makes no sense${path === '' ? '' : ` at ${path}`}`);
    }
    return { ok: true, changed: true, etag: response.headers.get('etag')?.slice(0, 200) ?? null, ...feed.data };
  } catch {
    if (patience.aborted) return sick(`the feed took longer than ${TIMEOUT_MS / 1000} seconds`);
    return sick(begun ? 'the feed broke off in the middle' : 'the feed does not answer');
  }
}
