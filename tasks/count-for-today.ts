import { countForToday as count } from '../service/market/sellers';
import type { Task } from './task';

/** Once a day, when the day begins where the shop is: coupons end, and what is left lying goes. */
export const countForToday: Task<'count-for-today'> = async () => {
  await count();
};
