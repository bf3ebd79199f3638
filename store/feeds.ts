import { many, type Queryable, run } from './database';

/** How a seller's feed does. */
export interface SellerFeed {
  sellerId: number;
  seller: string;
  url: string;
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

const SELECT = `select seller_id as "sellerId", seller.name as seller, url, every_minutes as "everyMinutes", etag,
    asked_at as "askedAt", good_at as "goodAt", failures, sentence, next_at as "nextAt"
  from seller_feed join seller on seller.id = seller_id`;

export async function listFeeds(db: Queryable): Promise<SellerFeed[]> {
  return many<SellerFeed & Record<string, unknown>>(db, `${SELECT} order by seller_id`);
}

/** Feeds that are due, taken by whoever asks first: nobody else gets them for these minutes. */
export async function takeDueFeeds(db: Queryable, minutes: number): Promise<SellerFeed[]> {
  const taken = await many<{ id: number }>(
    db,
    `update seller_feed set next_at = now() + make_interval(mins => $1)
     where seller_id in (select seller_id from seller_feed where next_at <= now() for update skip locked)
     returning seller_id as id`,
    [minutes],
  );
  if (taken.length === 0) return [];
  return many<SellerFeed & Record<string, unknown>>(db, `${SELECT} where seller_id = any($1) order by seller_id`, [
    taken.map(({ id }) => id),
  ]);
}

/** Notes where a seller's feed answers; null: it has none. */
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

/** Notes that a feed failed: each time in a row it is left alone for twice as long, a day at the most. */
export async function noteSickFeed(db: Queryable, sellerId: number, sentence: string): Promise<void> {
  await run(
    db,
    `update seller_feed set sentence = $2, asked_at = now(), failures = failures + 1,
       next_at = now() + make_interval(mins => least(every_minutes * power(2, least(failures + 1, 12))::int, 1440))
     where seller_id = $1`,
    [sellerId, sentence],
  );
}
