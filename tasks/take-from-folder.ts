import { environment } from '../runtime/environment';
import { log } from '../runtime/log';
import { takeFromFolder as take } from '../service/market/list-folder';
import type { Task } from './task';

export const takeFromFolder: Task<'take-from-folder'> = async () => {
  const folder = environment().FENBRIK_LISTS;
  if (folder === undefined) return;
  for (const { ok, file, sentence } of await take(folder)) {
    log[ok ? 'info' : 'warn']({ file, sentence }, 'price list in the folder');
  }
};
