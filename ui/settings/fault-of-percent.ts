import { parsePercent } from '@/core/pricing/parse-percent';

/** What keeps a text from being a percentage, as rules of the shop have them; null: nothing does. */
export const faultOfPercent = (text: string): string | null =>
  parsePercent(text) === null ? 'Type a percentage from 0 to 100, such as 5.' : null;
