import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import type { Caller } from '../../staff/access';
import { showSlices } from '../slices/read-slices';
import type { JobWith } from '../slices/slice';
import { marketView } from './view';

/** A job's planning case and what is offered for it, as one text, with the mark that only this text has. */
export interface MarketText {
  text: string;
  mark: string;
}

/**
 * Texts that pages were made with a moment ago: the page's script asks for its own at once, and it need not be read and
 * counted a second time. A mark names one text for ever, so what is kept is never out of date; a process that has not
 * kept it reads it again.
 */
const kept = new LRUCache<string, MarketText>({
  maxSize: 32 * 1024 * 1024,
  sizeCalculation: ({ text }) => text.length * 2 + 1_000,
  ttl: 60_000,
});

const keyOf = (jobId: number, mark: string): string => `${jobId}/${mark}`;

export function marketText(state: JobWith<'market'>): MarketText {
  const text = JSON.stringify(marketView(state));
  const mark = createHash('sha256').update(text).digest('base64url').slice(0, 22);
  const made = { text, mark };
  kept.set(keyOf(state.job.id, mark), made);
  return made;
}

/**
 * The market of a job: the one that the asked mark names where it was made a moment ago, else as it is now. Any process
 * answers the same.
 *
 * @param asked the mark that a page was made with
 * @returns null: there is no such job
 */
export async function showMarketText(_: Caller<'jobs.read'>, jobId: number, asked: string): Promise<MarketText | null> {
  const known = kept.get(keyOf(jobId, asked));
  if (known !== undefined) return known;
  const state = await showSlices(jobId, ['market']);
  return state === null ? null : marketText(state);
}
