import { log } from '../runtime/log';
import { workOnList as workOn } from '../service/market/apply-list';
import type { Task } from './task';

/** Applies a price list or undoes it. What keeps it from being done, since somebody was quicker, is no failure. */
export const workOnList: Task<'work-on-list'> = async (payload, { isLast }) => {
  const worked = await workOn(payload, isLast);
  if (!worked.ok) log.info({ list: payload.id, sentence: worked.sentence }, 'nothing was done about a price list');
};
