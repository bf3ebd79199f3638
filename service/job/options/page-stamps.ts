import DataLoader from 'dataloader';
import { pool } from '../../../store/database';
import { type PageStamp, stampsOfLinks } from '../../../store/job/quote-papers';
import { linkHash } from '../quote/quote-links';

/** So many are asked about at once. */
const MOST_AT_ONCE = 100;

/**
 * Asks about all links that came in since the last question was sent with the next one: under load one question answers many.
 * Nothing is remembered, and nobody gets an answer to a question that was sent before theirs came in.
 */
const loader = new DataLoader<string, PageStamp | null>((tokens) => stampsOfLinks(pool(), tokens.map(linkHash)), {
  cache: false,
  maxBatchSize: MOST_AT_ONCE,
  batchScheduleFn: (ask) => setImmediate(ask),
});

/** Whether a link's page is still what it was; null: the link opens nothing. */
export const stampOfLink = (token: string): Promise<PageStamp | null> => loader.load(token);
