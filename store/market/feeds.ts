import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';

/** How a seller's feed does. */
export interface SellerFeed {
  sellerId: number;
  seller: string;
  url: string;
  kind: 'feed' | 'csv' | 'page';
  /** rows of its lists that are sure count without anybody's look */
  applies: boolean;
  /** its host was allowed to be asked; and it may be on the shop's own machine or network */
  allowed: boolean;
  mayBeOwn: boolean;
  everyMinutes: number;
  etag: string | null;
  askedAt: Date | null;
  /** when its prices were last known to hold */
  goodAt: Date | null;
  /** how often it failed since */
  failures: number;
  sentence: string | null;
  nextAt: Date;
}

const SELECT = `select seller_id as "sellerId", seller.name as seller, url, kind, applies,
    feed_host.host is not null as allowed, coalesce(feed_host.own, false) as "mayBeOwn", every_minutes as "everyMinutes", etag,
    asked_at as "askedAt", good_at as "goodAt", failures, sentence, next_at as "nextAt"
  from seller_feed join seller on seller.id = seller_id
    left join feed_host on feed_host.host = regexp_replace(lower(url), '^https?://([^/?#]*@)?([^/?#]+).*$', '\\2')`;

export async function listFeeds(db: Queryable): Promise<SellerFeed[]> {
  return many<SellerFeed & Record<string, unknown>>(db, `${SELECT} order by seller_id`);
}

export async function getFeed(db: Queryable, sellerId: number): Promise<SellerFeed | null> {
  return maybeOne<SellerFeed & Record<string, unknown>>(db, `${SELECT} where seller_id = $1`, [sellerId]);
}

/** Sellers whose feeds are due, taken by the person who asks first: nobody else gets them for these minutes. */
export async function takeDueFeeds(db: Queryable, minutes: number): Promise<number[]> {
  const taken = await many<{ id: number }>(
    db,
    `update seller_feed set next_at = now() + make_interval(mins => $1)
     where seller_id in (select seller_id from seller_feed where next_at <= now()
       and exists (select from seller where id = seller_id and retired_at is null) for update skip locked)
     returning seller_id as id`,
    [minutes],
  );
  return taken.map(({ id }) => id);
}

/** Host and port that a feed's address asks, as they are allowed. */
export const feedHost = (url: string): string => new URL(url).host.toLowerCase();

/** Lets a host be asked. */
export async function allowHost(
  db: Queryable,
  { host, own, staffId }: { host: string; own: boolean; staffId: number | null },
): Promise<void> {
  await run(
    db,
    `insert into feed_host (host, own, allowed_by) values ($1, $2, $3)
     on conflict (host) do update set own = feed_host.own or $2, allowed_by = $3, allowed_at = now()`,
    [host, own, staffId],
  );
}

/** How a host may be asked; null: nobody allowed it. */
export async function allowedHost(db: Queryable, host: string): Promise<{ own: boolean } | null> {
  return maybeOne<{ own: boolean }>(db, 'select own from feed_host where host = $1', [host]);
}

/** Writes a seller's feed as it is typed; what was known of another address is forgotten. */
export async function putFeed(
  db: Queryable,
  sellerId: number,
  feed: Pick<SellerFeed, 'url' | 'kind' | 'applies' | 'everyMinutes'>,
): Promise<void> {
  await run(
    db,
    `insert into seller_feed (seller_id, url, kind, applies, every_minutes) values ($1, $2, $3, $4, $5)
     on conflict (seller_id) do update set url = $2, kind = $3, applies = $4, every_minutes = $5, failures = 0,
       etag = case when seller_feed.url = $2 and seller_feed.kind = $3 then seller_feed.etag end, next_at = now()`,
    [sellerId, feed.url, feed.kind, feed.applies, feed.everyMinutes],
  );
}

export async function dropFeed(db: Queryable, sellerId: number): Promise<void> {
  await run(db, 'delete from seller_feed where seller_id = $1', [sellerId]);
}

/** Notes where a seller's feed answers, as the operator of the server says, which allows its host; null: it has none. */
export async function setFeedUrl(db: Queryable, sellerName: string, url: string | null): Promise<void> {
  if (url === null) {
    await run(db, 'delete from seller_feed where seller_id = (select id from seller where name = $1)', [sellerName]);
    return;
  }
  await run(
    db,
    `insert into seller_feed (seller_id, url) select id, $2 from seller where name = $1
     on conflict (seller_id) do update set url = $2, etag = null, failures = 0, next_at = now()
     where seller_feed.url <> $2`,
    [sellerName, url],
  );
  await allowHost(db, { host: feedHost(url), own: true, staffId: null });
}

/** Notes that a feed's prices hold, and when it is asked again. */
export async function noteGoodFeed(
  db: Queryable,
  sellerId: number,
  etag: string | null,
  sentence: string,
): Promise<void> {
  await run(
    db,
    `update seller_feed set etag = $2, sentence = $3, asked_at = now(), good_at = now(), failures = 0,
       next_at = now() + make_interval(mins => every_minutes)
     where seller_id = $1`,
    [sellerId, etag, sentence],
  );
}

/** Notes that a feed failed: each time in a row it is left alone for twice as long, a day at most. */
export async function noteSickFeed(db: Queryable, sellerId: number, sentence: string): Promise<void> {
  await run(
    db,
    `update seller_feed set sentence = $2, asked_at = now(), failures = failures + 1,
       next_at = now() + make_interval(mins => least(every_minutes * power(2, least(failures + 1, 12))::int, 1440))
     where seller_id = $1`,
    [sellerId, sentence],
  );
}
