import { z } from 'zod';

const TIMEOUT_MS = 5_000;
const MOST_BYTES = 8 * 1024 * 1024;

const itemSchema = z.strictObject({
  part: z.string().min(1).max(80),
  costCents: z.number().int().positive().max(10_000_000),
  stock: z.number().int().nonnegative().max(1_000_000).nullable(),
});
export type FeedItem = z.infer<typeof itemSchema>;

/** A seller's price feed: `"fenbrik": "feed/1"`, costs without tax in minor units of `currency`. */
const feedSchema = z.strictObject({
  fenbrik: z.literal('feed/1'),
  currency: z.string().regex(/^[A-Z]{3}$/),
  items: z.array(itemSchema).max(20_000),
});

export type FetchedFeed = { ok: true; items: FeedItem[] } | { ok: false; sentence: string };

/** Fetches a seller's feed. Never throws: a feed that is slow, broken or nonsense is said in a sentence. */
export async function fetchSellerFeed(url: string): Promise<FetchedFeed> {
  try {
    const response = await fetch(url, { signal: AbortSignal.timeout(TIMEOUT_MS), redirect: 'error' });
    if (!response.ok) return { ok: false, sentence: `the feed answered ${response.status}; prices stay as they were.` };
    const body = await response.text();
    if (body.length > MOST_BYTES) return { ok: false, sentence: 'the feed is too large; prices stay as they were.' };
    const feed = feedSchema.safeParse(JSON.parse(body));
    if (!feed.success) return { ok: false, sentence: 'the feed makes no sense; prices stay as they were.' };
    return { ok: true, items: feed.data.items };
  } catch {
    return { ok: false, sentence: 'the feed does not answer; prices stay as they were.' };
  }
}
