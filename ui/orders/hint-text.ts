import type { OrderHint } from '@/core/ordering/order-hints';
import type { StaffWords } from '@/words/staff-words';
import { moneyText } from '../words/amounts';

const moreWords = (t: StaffWords<'orders'>, more: number): string =>
  more === 1 ? t('hint.one') : t('hint.more', { more });

/** What a threshold says of an order, in a sentence. */
export function hintText(
  t: StaffWords<'orders'>,
  { what, fromCents, missingCents, currency, more }: OrderHint,
): string {
  const from = moneyText(fromCents, currency);
  const missing = moneyText(missingCents, currency);
  if (what === 'free-shipping') {
    if (missingCents === 0) return t('hint.free', { from });
    return t('hint.missing', { missing, value: more === null ? '' : `: ${moreWords(t, more)}` });
  }
  if (missingCents === 0) return t('hint.over', { from });
  return t('hint.short', { missing, from });
}
