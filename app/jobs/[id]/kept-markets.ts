import { createHash } from 'node:crypto';

/** So many are kept, the latest: whoever opens a page asks for its market in the next moment. */
const KEPT = 40;
const PLACE = Symbol.for('fenbrik.kept-markets');

/** Markets by job and key. Pages and route handlers may each have their own copy of a module: there is one map for all. */
function kept(): Map<string, string> {
  const all = globalThis as { [PLACE]?: Map<string, string> };
  all[PLACE] ??= new Map();
  return all[PLACE];
}

/** Keeps a job's market for the request that follows, under a key that only this text has. */
export function keepMarket(jobId: number, text: string): string {
  const key = createHash('sha256').update(text).digest('base64url').slice(0, 22);
  const markets = kept();
  const name = `${jobId} ${key}`;
  markets.delete(name);
  markets.set(name, text);
  for (const oldest of markets.keys()) {
    if (markets.size <= KEPT) break;
    markets.delete(oldest);
  }
  return key;
}

/** The market that was kept so; undefined: it is kept no more. */
export const keptMarket = (jobId: number, key: string): string | undefined => kept().get(`${jobId} ${key}`);
