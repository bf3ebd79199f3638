import type { OrderHint } from '@/core/ordering/order-hints';
import { moneyText } from '@/core/pricing/money-text';

const moreWords = (more: number): string =>
  more === 1 ? 'one more module reaches it' : `${more} more modules reach it`;

/** What a threshold says of an order, in a sentence. */
export function hintText({ what, fromCents, missingCents, currency, more }: OrderHint): string {
  const from = moneyText(fromCents, currency);
  const missing = moneyText(missingCents, currency);
  if (what === 'free-shipping') {
    if (missingCents === 0) return `Ships free: it is over ${from}.`;
    return `${missing} more ships free${more === null ? '' : `: ${moreWords(more)}`}.`;
  }
  if (missingCents === 0) return `Over the least order of ${from}.`;
  return `${missing} short of the least order of ${from}.`;
}
