import { z } from 'zod';
import { moneyText } from '../../core/pricing/money-text';
import { ListThread } from '../../outward/lists/list-thread';
import { FEED_KINDS, fetchFile, fetchSellerFeed } from '../../outward/seller-feed';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { allowedHost, allowHost, dropFeed, feedHost, putFeed } from '../../store/market/feeds';
import { findBySellerPart } from '../../store/market/offers';
import { getSeller, partsOf } from '../../store/market/sellers';
import { addTask } from '../../store/queue/queue';
import { done, fault, type Result } from '../result';
import { type Caller, mayDo } from '../staff/access';
import { groundOf } from './counting-ground';
import { listOf } from './feeds';

const MINUTES = { least: 15, most: 10_080 } as const;

const address = z
  .string()
  .trim()
  .max(500, 'An address has at most 500 characters.')
  .refine((text) => URL.canParse(text) && /^https?:$/.test(new URL(text).protocol), {
    error: 'Enter an address such as https://prices.seller.example/feed.json.',
  })
  .refine((text) => !URL.canParse(text) || new URL(text).username === '', {
    error: 'Leave name and password out of the address.',
  })
  .transform((text) => (URL.canParse(text) ? new URL(text).href : text));

export const feedFormSchema = z.strictObject({
  url: address,
  kind: z.enum(FEED_KINDS),
  applies: z.boolean().default(false),
  everyMinutes: z
    .number('Enter how often it is asked, in minutes.')
    .int()
    .min(MINUTES.least, `A feed is asked at most every ${MINUTES.least} minutes.`)
    .max(MINUTES.most, 'A feed is asked at least once a week.')
    .default(60),
  /** an owner says that its host may be asked, and that it may be on the own machine or network */
  allow: z.boolean().default(false),
  allowOwn: z.boolean().default(false),
});
type FeedForm = z.infer<typeof feedFormSchema>;

const NOT_ALLOWED = (host: string): string => `${host} is not allowed yet: an owner ticks it here.`;

/** May this address be asked by now, as the form and earlier ones say? */
async function mayAsk(caller: Caller, { url, allow, allowOwn }: FeedForm): Promise<Result<{ own: boolean }>> {
  const host = feedHost(url);
  const known = await allowedHost(pool(), host);
  const isOwner = mayDo(caller, 'shop.settings');
  if ((allow || allowOwn) && !isOwner && known === null)
    return fault('forbidden', `Only an owner may allow ${host} to be asked.`);
  if (known === null && !(allow && isOwner)) return fault('forbidden', NOT_ALLOWED(host));
  return done({ own: (known?.own ?? false) || (allowOwn && isOwner) });
}

/** Writes a seller's feed. It is asked from now on. */
export async function saveFeed(
  caller: Caller<'offers.price'>,
  sellerId: number,
  feed: FeedForm,
): Promise<Result<null>> {
  const may = await mayAsk(caller, feed);
  if (!may.ok) return may;
  return transaction(async (db) => {
    if ((await getSeller(db, sellerId)) === null) return fault('not-found', 'There is no such seller.');
    if (feed.allow && mayDo(caller, 'shop.settings'))
      await allowHost(db, { host: feedHost(feed.url), own: feed.allowOwn, staffId: caller.id });
    await putFeed(db, sellerId, feed);
    await addTask(db, 'ask-due-feeds', {}, { about: null });
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'feed-changed', detail: { sellerId, ...feed } });
    return done(null);
  });
}

export async function removeFeed(caller: Caller<'offers.price'>, sellerId: number): Promise<Result<null>> {
  return transaction(async (db) => {
    await dropFeed(db, sellerId);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'feed-removed', detail: { sellerId } });
    return done(null);
  });
}

/** What would come of a feed, with some of what it says. */
export interface FeedTry {
  sentence: string;
  /** a few of its rows: what, at what price, and what becomes of it */
  rows: { text: string; price: string; fate: string }[];
}

const SHOWN = 8;

/** Tries one of our own feeds: which of its items are offers of the seller's, and which of their prices would move. */
async function tryFeed(sellerId: number, url: string, mayBeOwn: boolean): Promise<Result<FeedTry>> {
  const fetched = await fetchSellerFeed(url, null, mayBeOwn);
  if (!fetched.ok) return fault('bad-input', `It would change nothing: ${fetched.sentence}`);
  if (!fetched.changed) return done({ sentence: 'It says that nothing is new.', rows: [] });
  const { items, currency } = fetched;
  const rows: FeedTry['rows'] = [];
  let known = 0;
  for (const item of items) {
    const offer = await findBySellerPart(pool(), sellerId, item.part);
    if (offer !== null) known++;
    if (rows.length >= SHOWN) continue;
    const cents = item.costCents ?? item.printedCents ?? 0;
    rows.push({
      text: item.part,
      price: moneyText(cents, currency),
      fate: offer === null ? 'no offer of this number' : 'price and stock',
    });
  }
  return done({
    sentence: `It has ${items.length} items in ${currency}; ${known} of them are offers of this seller and would follow it.`,
    rows,
  });
}

/** Tries a list or a page: what its rows are read as, without keeping any. */
async function tryList(
  sellerId: number,
  { url, kind }: FeedForm & { kind: 'csv' | 'page' },
  mayBeOwn: boolean,
): Promise<Result<FeedTry>> {
  const fetched = await fetchFile(kind, url, { etag: null, mayBeOwn });
  if (!fetched.ok) return fault('bad-input', `It would change nothing: ${fetched.sentence}`);
  if (!fetched.changed) return done({ sentence: 'It says that nothing is new.', rows: [] });
  const list = listOf(kind, fetched.body);
  if (typeof list === 'string') return fault('bad-input', `It would change nothing: ${list}.`);
  const ground = await groundOf(pool(), sellerId);
  const thread = new ListThread({
    listId: 0,
    encoding: null,
    told: null,
    remembered: null,
    fixes: {},
    ground,
    partsOf: await partsOf(pool(), sellerId),
    tells: SHOWN,
  });
  try {
    const taken = await thread.take(list, true);
    if (!taken.ok) return fault('bad-input', `It would change nothing: ${taken.sentence}`);
    const { rows, told } = taken.piece;
    const { currency } = ground.terms;
    const doubtful = told.filter(({ doubts }) => doubts > 0).length;
    return done({
      sentence: `It has ${rows} rows${doubtful === 0 ? '' : `; of the first ${told.length} ${doubtful} would have to be looked at`}.`,
      rows: told.map(({ title, printedCents, origin, doubts }) => ({
        text: title,
        price: printedCents === null ? '' : moneyText(printedCents, currency),
        fate: doubts > 0 ? 'to be looked at' : (origin ?? 'third-party'),
      })),
    });
  } finally {
    await thread.end();
  }
}

/** Asks a feed's address once and tells what would come of it; nothing is kept. */
export async function tryTheFeed(
  caller: Caller<'offers.price'>,
  sellerId: number,
  feed: FeedForm,
): Promise<Result<FeedTry>> {
  const may = await mayAsk(caller, feed);
  if (!may.ok) return may;
  if ((await getSeller(pool(), sellerId)) === null) return fault('not-found', 'There is no such seller.');
  const { own } = may.value;
  const { kind } = feed;
  return kind === 'feed' ? tryFeed(sellerId, feed.url, own) : tryList(sellerId, { ...feed, kind }, own);
}
