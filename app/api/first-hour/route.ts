import { handle } from '@/app/handle';
import { firstHourSchema, saveFirstHour } from '@/service/shop/first-hour';

/** Writes which steps of the first hour are not needed, and whether its list is put away. */
export const PUT = handle('shop.settings', firstHourSchema, saveFirstHour);
