import { queueDueFeeds } from '../service/market/feeds';
import type { Task } from './task';

/** Each feed that is due becomes a task of its own. */
export const askDueFeeds: Task<'ask-due-feeds'> = async () => {
  await queueDueFeeds();
};
