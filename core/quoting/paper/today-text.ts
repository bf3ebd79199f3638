import type { CustomerQuote } from '../customer-view';
import { capacityIn, languageOfQuote, wordsOf } from '../words/in-language';

/** What is in the machine today, or in each of several, as a sentence; empty: several machines differ, and their boards tell. */
export function todayText(quote: CustomerQuote): string {
  const [option] = quote.options;
  const { totalMiB } = quote.machine;
  const of = (board: readonly { capacityMiB: number | null }[]) =>
    board.reduce((sum, { capacityMiB }) => sum + (capacityMiB ?? 0), 0);
  if (option?.groups?.some(({ before }) => of(before) !== totalMiB)) return '';
  const total = totalMiB === 0 ? null : capacityIn(languageOfQuote(quote), totalMiB);
  return wordsOf(quote).hasToday(total, option?.machines !== undefined);
}
