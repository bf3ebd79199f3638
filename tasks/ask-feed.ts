import { log } from '../runtime/log';
import { askOneFeed } from '../service/market/feeds';
import type { Task } from './task';

/** Asks one seller's feed. A sick one is no failure of the task: the feed says so itself and is asked again by its own clock. */
export const askFeed: Task<'ask-feed'> = async ({ sellerId }) => {
  const outcome = await askOneFeed(sellerId);
  if (outcome !== null) log[outcome.ok ? 'info' : 'warn']({ sentence: outcome.sentence }, 'feed asked');
};
