import { dayAfter } from '../../day-count';
import { dayText } from '../../day-text';
import type { CustomerOption, CustomerQuote } from '../customer-view';
import { localeOf, wordsOf } from '../words/in-language';

/** When the parts of an option are here: in days from the yes, and the day that this is for a yes on the quote's own day. */
export function deliveryText(quote: CustomerQuote, { leadDays }: Pick<CustomerOption, 'leadDays'>): string {
  const words = wordsOf(quote);
  if (leadDays === 0) return words.leadDays(0);
  const day = (text: string) => dayText(text, localeOf(quote));
  return `${words.leadDays(leadDays)} ${words.hereOn(day(quote.sentOn), day(dayAfter(quote.sentOn, leadDays)))}`;
}
