import { createHash } from 'node:crypto';
import type { Caller } from '../../staff/access';
import { showSlices } from '../slices/read-slices';
import type { JobWith } from '../slices/slice';
import { marketView } from './view';

/** A job's planning case and what is offered for it, as one text, with the mark that only this text has. */
export interface MarketText {
  text: string;
  mark: string;
}

export function marketText(state: JobWith<'market'>): MarketText {
  const text = JSON.stringify(marketView(state));
  return { text, mark: createHash('sha256').update(text).digest('base64url').slice(0, 22) };
}

/** The market of a job as it is by now; null: there is no such job. Any process answers the same. */
export async function showMarketText(_: Caller<'jobs.read'>, jobId: number): Promise<MarketText | null> {
  const state = await showSlices(jobId, ['market']);
  return state === null ? null : marketText(state);
}
