import { createHash } from 'node:crypto';
import { suspicionOf } from '../../core/price-list/price-bands';
import { type CountingGround, countedPrice } from '../../core/pricing/counted-price';
import { pageList } from '../../outward/lists/page-list';
import { type FeedItem, type FeedKind, fetchFile, fetchSellerFeed } from '../../outward/seller-feed';
import { caughtAs, logCaught } from '../../runtime/log';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import {
  getFeed,
  listFeeds,
  noteGoodFeed,
  noteSickFeed,
  type SellerFeed,
  takeDueFeeds,
} from '../../store/market/feeds';
import { findBySellerPart, insertPrice, setStock } from '../../store/market/offers';
import { listKnown } from '../../store/market/price-lists';
import type { Queryable } from '../../store/queryable';
import { addTask } from '../../store/queue/queue';
import { done, type Result } from '../result';
import type { Caller } from '../staff/access';
import { applyList } from './apply-list';
import { groundOf } from './counting-ground';
import { takeList } from './price-lists';

export interface FeedOutcome {
  seller: string;
  changed: number;
  ok: boolean;
  sentence: string;
}

/** What an item comes to for the shop, with what was printed; null where it comes to no price. */
function priceOf({ costCents, printedCents, coupon = null }: FeedItem, modules: number, ground: CountingGround) {
  if (costCents !== undefined) return { costCents, printed: null };
  if (printedCents === undefined) return null;
  const counted = countedPrice({ cents: printedCents, coupon, modules, units: 1 }, ground.terms, ground);
  if (!counted.ok || counted.costCents <= 0) return null;
  return { costCents: counted.costCents, printed: { printedCents, coupon, units: 1, steps: counted.steps } };
}

interface Taken {
  changed: number;
  /** prices that look like slips, left as they were */
  odd: number;
}

async function takeItems(
  db: Queryable,
  feed: SellerFeed,
  items: readonly FeedItem[],
  ground: CountingGround,
): Promise<Taken> {
  const taken: Taken = { changed: 0, odd: 0 };
  for (const item of items) {
    const offer = await findBySellerPart(db, feed.sellerId, item.part);
    if (offer === null) continue;
    const price = priceOf(item, offer.modules, ground);
    if (offer.stock !== item.stock) await setStock(db, offer.id, item.stock);
    if (price === null || price.costCents === offer.costCents) continue;
    if (suspicionOf(offer.costCents, price.costCents, offer.modules) !== null) {
      taken.odd++;
      continue;
    }
    await insertPrice(db, offer.id, price.costCents, `feed of ${feed.seller}`, null, price.printed);
    taken.changed++;
  }
  return taken;
}

const NOT_ALLOWED = 'its address is not allowed yet: an owner allows it under its terms.';

/** What there is of a list at a feed's address, as the bytes of one; a sentence where there is none. */
export function listOf(kind: 'csv' | 'page', body: Buffer): Buffer | string {
  const start = body.subarray(0, 2_000).toString('latin1');
  if (kind === 'csv')
    return /^\s*<(?:!doctype|html|head|body)/i.test(start) ? 'the address answered a page of words and no list' : body;
  const list = pageList(new TextDecoder().decode(body));
  return list === null ? 'the page holds no offers in its data (schema.org)' : Buffer.from(list, 'utf8');
}

/** Asks for a list at a feed's address and takes it in like any other, to be looked at; what is sure counts where that is wanted. */
async function askList(feed: SellerFeed, kind: 'csv' | 'page'): Promise<FeedOutcome> {
  const { sellerId, seller } = feed;
  const sick = async (sentence: string): Promise<FeedOutcome> => {
    await noteSickFeed(pool(), sellerId, sentence);
    return { seller, changed: 0, ok: false, sentence: `${seller}: ${sentence}` };
  };
  const well = async (etag: string | null, sentence: string, changed = 0): Promise<FeedOutcome> => {
    await noteGoodFeed(pool(), sellerId, etag, sentence);
    return { seller, changed, ok: true, sentence: `${seller}: ${sentence}` };
  };
  const fetched = await fetchFile(kind, feed.url, feed);
  if (!fetched.ok) return sick(fetched.sentence);
  if (!fetched.changed) return well(fetched.etag, 'nothing is new.');
  const list = listOf(kind, fetched.body);
  if (typeof list === 'string') return sick(`${list}; prices stay as they were.`);
  const sha256 = createHash('sha256').update(list).digest();
  if (await listKnown(pool(), sellerId, sha256)) return well(fetched.etag, 'nothing is new.');
  const taken = await takeList(null, sellerId, { name: nameOf(feed.url), input: once(list) });
  if (!taken.ok) return sick(taken.sentence);
  if (!feed.applies) return well(fetched.etag, 'a new list waits to be looked at.');
  const applied = await applyList(null, taken.value.id, { accept: [], acceptAll: [], withdrawGone: false });
  if (!applied.ok) return sick(applied.sentence);
  const { added = 0, priced = 0, left = 0 } = applied.value ?? {};
  const held = left === 0 ? '' : ` ${left} rows are left: look at them.`;
  return well(fetched.etag, `${added} new offers, ${priced} prices moved.${held}`, added + priced);
}

async function* once(bytes: Uint8Array): AsyncGenerator<Uint8Array> {
  yield bytes;
}

/** A list's name from its address. */
const nameOf = (url: string): string => {
  const { host, pathname } = new URL(url);
  return (pathname.split('/').pop() || host).slice(0, 200);
};

/** Asks one feed and takes what it says, all of it or nothing. A feed that is sick changes nothing and is named. */
async function askFeed(feed: SellerFeed): Promise<FeedOutcome> {
  const { sellerId, seller } = feed;
  const told = (ok: boolean, changed: number, sentence: string): FeedOutcome => ({
    seller,
    changed,
    ok,
    sentence: `${seller}: ${sentence}`,
  });
  if (!feed.allowed) {
    await noteSickFeed(pool(), sellerId, NOT_ALLOWED);
    return told(false, 0, NOT_ALLOWED);
  }
  if (feed.kind !== 'feed') return askList(feed, feed.kind);
  const fetched = await fetchSellerFeed(feed.url, feed.etag, feed.mayBeOwn);
  if (!fetched.ok) {
    await noteSickFeed(pool(), sellerId, fetched.sentence);
    return told(false, 0, fetched.sentence);
  }
  if (!fetched.changed) {
    const sentence = 'nothing is new.';
    await noteGoodFeed(pool(), sellerId, fetched.etag, sentence);
    return told(true, 0, sentence);
  }
  return transaction(async (db) => {
    const ground = await groundOf(db, sellerId);
    // In another currency nothing is taken: a wrong rate would look like a bargain.
    const wanted = fetched.items.some(({ costCents }) => costCents !== undefined)
      ? ground.currency
      : ground.terms.currency;
    if (fetched.currency !== wanted) {
      const sentence = `the feed is in ${fetched.currency} and not in ${wanted}; prices stay as they were.`;
      await noteSickFeed(db, sellerId, sentence);
      return told(false, 0, sentence);
    }
    const { changed, odd } = await takeItems(db, feed, fetched.items, ground);
    const held = odd === 0 ? '' : ` ${odd} moved so much that they are left: look at them.`;
    const sentence = `${changed} of ${fetched.items.length} prices moved.${held}`;
    await noteGoodFeed(db, sellerId, fetched.etag, sentence);
    return told(true, changed, sentence);
  });
}

const BROKEN = 'its prices could not be taken in; they stay as they were.';

/** One that goes wrong in our own house is a sick one too: the others are asked all the same. */
async function askSafely(feed: SellerFeed): Promise<FeedOutcome> {
  return askFeed(feed).catch((cause) => {
    logCaught(cause, 'taking in a feed', { seller: feed.sellerId });
    return { seller: feed.seller, changed: 0, ok: false, sentence: `${feed.seller}: ${BROKEN}` };
  });
}

/** Asks every seller's feed for today's prices, due or not. */
export async function refreshPrices(caller: Caller<'offers.price'>): Promise<Result<FeedOutcome[]>> {
  const outcomes = await Promise.all((await listFeeds(pool())).map(askSafely));
  await noteEvent(pool(), { jobId: null, staffId: caller.id, kind: 'prices-refreshed', detail: { outcomes } });
  return done(outcomes);
}

/** Nobody else asks a feed that is being asked, minutes. */
const TAKEN_MINUTES = 2;

/** Puts the feeds that are due into the queue, each as a task of its own. Returns how many. */
export async function queueDueFeeds(): Promise<number> {
  return transaction(async (db) => {
    const due = await takeDueFeeds(db, TAKEN_MINUTES);
    for (const sellerId of due) await addTask(db, 'ask-feed', { sellerId }, { about: sellerId });
    return due.length;
  });
}

/**
 * Asks one feed, as a task does: what breaks in our own house is a failure of the task, with the feed named as a sick one; what
 * the feed itself gets wrong is not. Null: it has gone.
 */
export async function askOneFeed(sellerId: number): Promise<FeedOutcome | null> {
  const feed = await getFeed(pool(), sellerId);
  if (feed === null) return null;
  return askFeed(feed).catch(async (cause) => {
    await noteSickFeed(pool(), sellerId, BROKEN).catch(caughtAs('noting a sick feed', undefined, { seller: sellerId }));
    throw cause;
  });
}

/** How a seller's feed does, for anyone who looks at its offers. */
export interface FeedHealth {
  sellerId: number;
  ok: boolean;
  /** when its prices were last known to hold; null: never yet */
  goodAt: string | null;
  sentence: string | null;
  nextAt: string;
  url: string;
  kind: FeedKind;
  applies: boolean;
  everyMinutes: number;
  /** an owner allowed its host to be asked */
  allowed: boolean;
}

export async function feedHealth(_: Caller<'offers.read'>): Promise<FeedHealth[]> {
  return (await listFeeds(pool())).map(
    ({ sellerId, failures, goodAt, sentence, nextAt, url, kind, applies, everyMinutes, allowed }) => ({
      sellerId,
      url,
      kind,
      applies,
      everyMinutes,
      allowed,
      ok: failures === 0,
      goodAt: goodAt?.toISOString() ?? null,
      sentence,
      nextAt: nextAt.toISOString(),
    }),
  );
}
