import { z } from 'zod';
import { couponSchema } from '../core/pricing/seller-terms';
import { type Asking, type Got, guardedGet } from './guarded-get';

/** What answers at a feed's address: our own JSON, a price list as CSV, or a page with offers in its data (schema.org). */
export const FEED_KINDS = ['feed', 'csv', 'page'] as const;
export type FeedKind = (typeof FEED_KINDS)[number];

/** A feed has so long to say everything, milliseconds; a list or a page has longer. */
const TIMEOUT_MS = 5_000;
const LIST_TIMEOUT_MS = 30_000;
const MOST_LIST_BYTES = 64 * 1024 * 1024;
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

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const ASKED: Record<FeedKind, Pick<Asking, 'accept' | 'mostBytes' | 'timeoutMs'>> = {
  feed: { accept: 'application/json', mostBytes: MOST_BYTES, timeoutMs: TIMEOUT_MS },
  csv: { accept: 'text/csv, text/plain;q=0.9, */*;q=0.5', mostBytes: MOST_LIST_BYTES, timeoutMs: LIST_TIMEOUT_MS },
  page: {
    accept: 'text/html, application/ld+json;q=0.9, */*;q=0.5',
    mostBytes: MOST_BYTES,
    timeoutMs: LIST_TIMEOUT_MS,
  },
};

/** What went wrong on the way, in words. */
function wayFault(got: Extract<Got, { ok: false }>, kind: FeedKind): string {
  switch (got.why) {
    case 'no-address':
      return 'this is no address';
    case 'own-network':
      return 'the address is on your own machine or network, which an owner has to allow';
    case 'away':
      return 'the feed does not answer';
    case 'slow':
      return `the feed took longer than ${ASKED[kind].timeoutMs / 1000} seconds`;
    case 'broke-off':
      return 'the feed broke off in the middle';
    case 'too-large':
      return 'the feed is too large';
    case 'refused':
      return `the feed answered ${got.status}`;
  }
}

/** What a feed's address sent, as it is. */
export type FetchedFile =
  | { ok: true; changed: true; etag: string | null; body: Buffer; type: string }
  | { ok: true; changed: false; etag: string | null }
  | { ok: false; sentence: string };

/** Asks a feed's address, and only for what is new since `etag`. Never throws. */
export async function fetchFile(
  kind: FeedKind,
  url: string,
  { etag, mayBeOwn }: Pick<Asking, 'etag' | 'mayBeOwn'>,
): Promise<FetchedFile> {
  const got = await guardedGet(url, { ...ASKED[kind], etag, mayBeOwn });
  return got.ok ? got : { ok: false, sentence: `${wayFault(got, kind)}; prices stay as they were.` };
}

/**
 * Asks a seller's feed, and only for what is new since `etag` (RFC 9110 13.1.2). Never throws: a feed that is slow,
 * broken off, nonsense or away is said in a sentence.
 *
 * @param mayBeOwn may it be on the shop's own machine or network?
 */
export async function fetchSellerFeed(url: string, etag: string | null, mayBeOwn = false): Promise<FetchedFeed> {
  const fetched = await fetchFile('feed', url, { etag, mayBeOwn });
  if (!fetched.ok || !fetched.changed) return fetched;
  const text = new TextDecoder().decode(fetched.body);
  const json = parsed(text);
  if (json === undefined) {
    return sick(
      /^\s*</.test(text) ? 'the feed is a page of words and no feed' : 'the feed broke off in the middle or is no JSON',
    );
  }
  const feed = feedSchema.safeParse(json);
  if (!feed.success) {
    const path = feed.error.issues[0]?.path.join('.') ?? '';
    return sick(`the feed makes no sense${path === '' ? '' : ` at ${path}`}`);
  }
  return { ok: true, changed: true, etag: fetched.etag, ...feed.data };
}
