import type { PriceStep } from '@/core/pricing/counted-price';
import { plainMoney } from '@/core/pricing/currency';
import { moneyText } from '@/core/pricing/money-text';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { percentText } from '@/core/pricing/percent-text';
import type { Coupon, SellerTerms, Shipping } from '@/core/pricing/seller-terms';

export const STEP_WORDS: Record<PriceStep['what'], string> = {
  printed: 'printed on the list',
  coupon: 'coupon',
  promotion: 'promotion of the seller',
  shipping: 'its share of the shipping',
  'tax-off': 'tax that comes back',
  'tax-on': 'tax that does not come back',
  exchange: 'in our currency',
};

/** A shipping rule as it is typed: `none`, `4.90, free from 50.00`, `500 g 4.90; 2000 g 8.90`. */
export function shippingText(shipping: Shipping, currency: string): string {
  const plainAmount = (cents: number): string => plainMoney(cents, currency);
  if (shipping.kind === 'none') return 'none';
  if (shipping.kind === 'weight') {
    return shipping.steps.map(({ upToGrams, cents }) => `${upToGrams} g ${plainAmount(cents)}`).join('; ');
  }
  const free = shipping.freeFromCents === null ? '' : `, free from ${plainAmount(shipping.freeFromCents)}`;
  return `${plainAmount(shipping.cents)}${free}`;
}

/** A shipping rule that was typed; null where it is none. */
export function parseShipping(text: string, currency: string): Shipping | null {
  const plain = text.trim().toLowerCase();
  if (plain === '' || plain === 'none' || plain === 'free') return { kind: 'none' };
  if (/\d\s*g\b/.test(plain)) {
    const steps = plain.split(';').map((part) => /^(\d{1,6})\s*g\s+(\S+)$/.exec(part.trim()));
    const read = steps.map((found) =>
      found === null ? null : { upToGrams: Number(found[1]), cents: parseMoneyIn(found[2] ?? '', currency) },
    );
    const known = read.filter(
      (step): step is { upToGrams: number; cents: number } => step !== null && step.cents !== null,
    );
    return known.length === steps.length && known.every(({ cents }) => cents >= 0)
      ? { kind: 'weight', steps: known }
      : null;
  }
  const [amount = '', free] = plain.split(/,\s*free from\s*/);
  const cents = parseMoneyIn(amount, currency);
  const freeFromCents = free === undefined ? null : parseMoneyIn(free, currency);
  if (cents === null || cents < 0 || (free !== undefined && (freeFromCents === null || freeFromCents < 0))) return null;
  return { kind: 'flat', cents, freeFromCents };
}

/** A seller's terms in one line. */
export function termsText(terms: SellerTerms | null, currency: string): string {
  if (terms === null) return `prints what we pay, in ${currency} without tax`;
  const percent = terms.taxBp / 100;
  const tax = terms.withTax
    ? `with ${percent} % tax${terms.taxBack ? ' that comes back' : ' that stays'}`
    : terms.taxBack
      ? 'without tax'
      : `without the ${percent} % tax that comes on top`;
  const shipping =
    terms.shipping.kind === 'none' ? 'no shipping' : `shipping ${shippingText(terms.shipping, terms.currency)}`;
  const promotion = terms.promotion == null ? '' : ` · promotion ${couponText(terms.promotion, terms.currency)}`;
  return `prints ${terms.currency} ${tax} · ${shipping}${promotion}`;
}

/** A coupon as it is typed: `10 % until 2026-11-30`, `5.00`. */
export function couponText(coupon: Coupon | null, currency: string): string {
  if (coupon === null) return '';
  const off = coupon.percentBp === null ? plainMoney(coupon.cents ?? 0, currency) : percentText(coupon.percentBp);
  return `${off}${coupon.endsOn === null ? '' : ` until ${coupon.endsOn}`}`;
}

/** A coupon that was typed; null: none; undefined: not understood. */
export function parseCoupon(text: string, currency: string): Coupon | null | undefined {
  const plain = text.trim();
  if (plain === '') return null;
  const found = /^(\S+)\s*(%)?(?:\s+off)?(?:\s+until\s+(\d{4}-\d{2}-\d{2}))?$/i.exec(plain.replace(/%(?=\s|$)/, ' %'));
  if (found === null) return undefined;
  const endsOn = found[3] ?? null;
  if (found[2] === undefined) {
    const cents = parseMoneyIn(found[1] ?? '', currency);
    return cents === null || cents <= 0 ? undefined : { name: '', percentBp: null, cents, endsOn };
  }
  const percentBp = Math.round(Number((found[1] ?? '').replace(',', '.')) * 100);
  return percentBp > 0 && percentBp <= 10_000 ? { name: '', percentBp, cents: null, endsOn } : undefined;
}

/** Steps as lines, each with what it changes; the last line is what it comes to. */
export function stepLines(steps: readonly PriceStep[]): { text: string; amount: string }[] {
  return steps.map(({ what, cents, currency }) => ({
    text: STEP_WORDS[what],
    amount: moneyText(cents, currency),
  }));
}

/** What others say of a seller, as it is typed: `4.6 of 120`. */
export const ratingTyped = (rating: number | null, count: number | null): string =>
  rating === null || count === null ? '' : `${rating / 100} of ${count}`;

/** A rating that was typed, hundredths of a star and how many gave them; null: none; undefined: not understood. */
export function parseRating(text: string): { rating: number; ratingCount: number } | null | undefined {
  if (text.trim() === '') return null;
  const found = /^(\d(?:[.,]\d{1,2})?)\s*(?:stars?)?\s*(?:of|from|\/)\s*(\d{1,7})$/i.exec(text.trim());
  if (found === null) return undefined;
  const rating = Math.round(Number((found[1] ?? '').replace(',', '.')) * 100);
  const ratingCount = Number(found[2]);
  return rating >= 100 && rating <= 500 && ratingCount > 0 ? { rating, ratingCount } : undefined;
}
