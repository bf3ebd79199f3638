import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { ListedSeller } from '@/service/market/view';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped, wholeTyped } from '../../kit/form/read-typed';
import { couponText, parseCoupon, parseRating, parseShipping, ratingTyped, shippingText } from './terms-words';

/** A seller that is being made: what is usual, and nothing else. */
export const newSeller = (currency: string, taxBp: number): ListedSeller => ({
  id: 0,
  name: '',
  leadDays: 3,
  trust: 'own-stock',
  returns: '',
  orderContact: '',
  orderMail: '',
  terms: { currency, withTax: false, taxBp, taxBack: true, shipping: { kind: 'none' } },
  leastOrderCents: null,
  rating: null,
  ratingCount: null,
  partsOf: null,
  retired: false,
  offers: 0,
});

/** A seller as it is typed. */
export type TypedSeller = ReturnType<typeof typedSeller>;

export function typedSeller(t: StaffWords<'offers'>, seller: ListedSeller, shopCurrency: string) {
  const { terms } = seller;
  const currency = terms?.currency ?? shopCurrency;
  return {
    name: seller.name,
    partsOf: seller.partsOf ?? '',
    leadDays: String(seller.leadDays),
    currency,
    taxPercent: String((terms?.taxBp ?? 0) / 100),
    withTax: terms?.withTax ?? false,
    taxBack: terms?.taxBack ?? true,
    shipping: shippingText(t, terms?.shipping ?? { kind: 'none' }, currency),
    promotion: couponText(t, terms?.promotion ?? null, currency),
    rating: ratingTyped(seller.rating, seller.ratingCount),
    trust: seller.trust,
    returns: seller.returns,
    orderMail: seller.orderMail,
    leastOrder: seller.leastOrderCents === null ? '' : plainMoney(seller.leastOrderCents, currency),
    orderContact: seller.orderContact,
  };
}

/** The seller as the server takes it, or what is wrong with what was typed. */
export function readSeller(t: StaffWords<'offers'>, typed: TypedSeller): Read<TypedSeller, object> {
  const currency = typed.currency.trim().toUpperCase();
  const isCurrency = /^[A-Z]{3}$/.test(currency);
  const shipping = isCurrency ? parseShipping(typed.shipping, currency) : null;
  const taxBp = Math.round(Number(typed.taxPercent.replace(',', '.')) * 100);
  const promotion = isCurrency ? parseCoupon(typed.promotion, currency) : null;
  const rating = parseRating(typed.rating);
  const leastOrderCents = isTyped(typed.leastOrder) && isCurrency ? parseMoneyIn(typed.leastOrder, currency) : null;
  const looked = {
    name: typed.name.trim() === '' && t('seller.faults.name'),
    currency: !isCurrency && t('seller.faults.currency'),
    taxPercent: (!Number.isInteger(taxBp) || taxBp < 0) && t('seller.faults.tax'),
    leadDays: wholeTyped(typed.leadDays, 3) === null && t('seller.faults.delivery'),
    shipping: isCurrency && shipping === null && t('seller.faults.shipping'),
    promotion: promotion === undefined && t('seller.faults.promotion'),
    rating: rating === undefined && t('seller.faults.rating'),
    leastOrder: isTyped(typed.leastOrder) && isCurrency && leastOrderCents === null && t('seller.faults.minimum'),
  };
  const { name, partsOf, withTax, taxBack, trust, returns, orderContact } = typed;
  return readTyped<TypedSeller, object>(looked, () => ({
    name,
    partsOf,
    leadDays: Number(typed.leadDays),
    terms: { currency, withTax, taxBp, taxBack, shipping, promotion },
    trust,
    returns,
    orderContact,
    orderMail: typed.orderMail.trim(),
    leastOrderCents,
    ...(rating ?? { rating: null, ratingCount: null }),
  }));
}
