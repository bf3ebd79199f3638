import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { pool } from '../database';

/** So many of something within so many seconds. */
export interface RateLimit {
  name: string;
  points: number;
  seconds: number;
}

interface Kept {
  of: ReturnType<typeof pool>;
  limiters: Map<string, RateLimiterPostgres>;
}

let kept: Kept | undefined;

/** A limiter on the process's pool, made once for each limit. */
function limiterOf({ name, points, seconds }: RateLimit): RateLimiterPostgres {
  const storeClient = pool();
  if (kept?.of !== storeClient) kept = { of: storeClient, limiters: new Map() };
  const known = kept.limiters.get(name);
  if (known !== undefined) return known;
  const made = new RateLimiterPostgres({
    storeClient,
    storeType: 'pool',
    tableName: 'rate_limit',
    tableCreated: true,
    // All limiters share one table: one of them clears it.
    keyPrefix: name,
    points,
    duration: seconds,
    clearExpiredByTimeout: kept.limiters.size === 0,
  });
  kept.limiters.set(name, made);
  return made;
}

/** What a try came to: how many there were with it, and how long to wait, milliseconds; 0: it may go on. */
export interface Try {
  count: number;
  waitMs: number;
}

/**
 * Takes one try in the statement that counts it, so that of many at once no more than the limit go on.
 *
 * @param seconds how long this try counts, where that is not as usual
 */
export async function takeTry(limit: RateLimit, key: string, seconds?: number): Promise<Try> {
  try {
    const taken = await limiterOf(limit).consume(key, 1, seconds === undefined ? {} : { customDuration: seconds });
    return { count: taken.consumedPoints, waitMs: 0 };
  } catch (cause) {
    if (!(cause instanceof RateLimiterRes)) throw cause;
    return { count: cause.consumedPoints, waitMs: Math.max(1, cause.msBeforeNext) };
  }
}

/** Gives back a try that was none to be counted. */
export async function giveBackTry(limit: RateLimit, key: string): Promise<void> {
  await limiterOf(limit).reward(key, 1);
}

/** Forgets all tries of a key. */
export async function forgetTries(limit: RateLimit, key: string): Promise<void> {
  await limiterOf(limit).delete(key);
}
