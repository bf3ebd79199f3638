import type { PriceStep } from '@/core/pricing/counted-price';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { percentText } from '@/core/pricing/percent-text';
import type { Coupon, SellerTerms, Shipping } from '@/core/pricing/seller-terms';
import type { StaffWords } from '@/words/staff-words';
import { moneyText } from '../../words/amounts';

export const STEP_WORDS = {
  printed: 'terms.printed',
  coupon: 'terms.coupon',
  promotion: 'terms.promotion',
  shipping: 'terms.share',
  'tax-off': 'terms.taxBack',
  'tax-on': 'terms.taxKept',
  exchange: 'terms.ours',
} as const satisfies Record<PriceStep['what'], string>;

/** A shipping rule as it is typed: `none`, `4.90, free from 50.00`, `500 g 4.90; 2000 g 8.90`. */
export function shippingText(t: StaffWords<'offers'>, shipping: Shipping, currency: string): string {
  const plainAmount = (cents: number): string => plainMoney(cents, currency);
  if (shipping.kind === 'none') return t('terms.none');
  if (shipping.kind === 'weight') {
    return shipping.steps.map(({ upToGrams, cents }) => `${upToGrams} g ${plainAmount(cents)}`).join('; ');
  }
  const free =
    shipping.freeFromCents === null ? '' : t('terms.freeFrom', { freeFromCents: plainAmount(shipping.freeFromCents) });
  return `${plainAmount(shipping.cents)}${free}`;
}

/** A shipping rule that was typed; null where it is none. */
export function parseShipping(text: string, currency: string): Shipping | null {
  const plain = text.trim().toLowerCase();
  if (/^(?:|none|free|keine?r?|frei)$/.test(plain)) return { kind: 'none' };
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
  const [amount = '', free] = plain.split(/,\s*(?:free from|frei ab)\s*/);
  const cents = parseMoneyIn(amount, currency);
  const freeFromCents = free === undefined ? null : parseMoneyIn(free, currency);
  if (cents === null || cents < 0 || (free !== undefined && (freeFromCents === null || freeFromCents < 0))) return null;
  return { kind: 'flat', cents, freeFromCents };
}

/** A seller's terms in one line. */
export function termsText(t: StaffWords<'offers'>, terms: SellerTerms | null, currency: string): string {
  if (terms === null) return t('terms.prints', { currency });
  const percent = terms.taxBp / 100;
  const tax = terms.withTax
    ? t('terms.withTax', { percent, value: terms.taxBack ? t('terms.comesBack') : t('terms.stays') })
    : terms.taxBack
      ? t('terms.noTax')
      : t('terms.taxOnTop', { percent });
  const shipping =
    terms.shipping.kind === 'none'
      ? t('terms.noShipping')
      : t('terms.shipping', { shipping: shippingText(t, terms.shipping, terms.currency) });
  const promotion =
    terms.promotion == null
      ? ''
      : t('terms.promotionIs', { promotion: couponText(t, terms.promotion, terms.currency) });
  return t('terms.line', { currency: terms.currency, tax, shipping, promotion });
}

/** A coupon as it is typed: `10 % until 2026-11-30`, `5.00`. */
export function couponText(t: StaffWords<'offers'>, coupon: Coupon | null, currency: string): string {
  if (coupon === null) return '';
  const off = coupon.percentBp === null ? plainMoney(coupon.cents ?? 0, currency) : percentText(coupon.percentBp);
  return `${off}${coupon.endsOn === null ? '' : t('terms.until', { endsOn: coupon.endsOn })}`;
}

/** A coupon that was typed; null: none; undefined: not understood. */
export function parseCoupon(text: string, currency: string): Coupon | null | undefined {
  const plain = text.trim();
  if (plain === '') return null;
  const found = /^(\S+)\s*(%)?(?:\s+off)?(?:\s+(?:until|bis)\s+(\d{4}-\d{2}-\d{2}))?$/i.exec(
    plain.replace(/%(?=\s|$)/, ' %'),
  );
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
export function stepLines(t: StaffWords<'offers'>, steps: readonly PriceStep[]): { text: string; amount: string }[] {
  return steps.map(({ what, cents, currency }) => ({
    text: t(STEP_WORDS[what]),
    amount: moneyText(cents, currency),
  }));
}

/** What others say of a seller, as it is typed: `4.6 of 120`. */
export const ratingTyped = (rating: number | null, count: number | null): string =>
  rating === null || count === null ? '' : `${rating / 100} of ${count}`;

/** A rating that was typed, hundredths of a star and how many gave them; null: none; undefined: not understood. */
export function parseRating(text: string): { rating: number; ratingCount: number } | null | undefined {
  if (text.trim() === '') return null;
  const found = /^(\d(?:[.,]\d{1,2})?)\s*(?:stars?)?\s*(?:of|from|von|\/)\s*(\d{1,7})$/i.exec(text.trim());
  if (found === null) return undefined;
  const rating = Math.round(Number((found[1] ?? '').replace(',', '.')) * 100);
  const ratingCount = Number(found[2]);
  return rating >= 100 && rating <= 500 && ratingCount > 0 ? { rating, ratingCount } : undefined;
}
