import { parsePercent } from '@/core/pricing/parse-percent';
import type { StaffWords } from '@/words/staff-words';

/** What keeps a text from being a percentage, as rules of the shop have them; null: nothing does. */
export const faultOfPercent = (t: StaffWords<'settings'>, text: string): string | null =>
  parsePercent(text) === null ? t('faults.percent') : null;
