import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { ListedSeller } from '@/service/market/view';
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

export function typedSeller(seller: ListedSeller, shopCurrency: string) {
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
    shipping: shippingText(terms?.shipping ?? { kind: 'none' }, currency),
    promotion: couponText(terms?.promotion ?? null, currency),
    rating: ratingTyped(seller.rating, seller.ratingCount),
    trust: seller.trust,
    returns: seller.returns,
    orderMail: seller.orderMail,
    leastOrder: seller.leastOrderCents === null ? '' : plainMoney(seller.leastOrderCents, currency),
    orderContact: seller.orderContact,
  };
}

/** The seller as the server takes it, or what is wrong with what was typed. */
export function readSeller(typed: TypedSeller): Read<TypedSeller, object> {
  const currency = typed.currency.trim().toUpperCase();
  const isCurrency = /^[A-Z]{3}$/.test(currency);
  const shipping = isCurrency ? parseShipping(typed.shipping, currency) : null;
  const taxBp = Math.round(Number(typed.taxPercent.replace(',', '.')) * 100);
  const promotion = isCurrency ? parseCoupon(typed.promotion, currency) : null;
  const rating = parseRating(typed.rating);
  const leastOrderCents = isTyped(typed.leastOrder) && isCurrency ? parseMoneyIn(typed.leastOrder, currency) : null;
  const looked = {
    name: typed.name.trim() === '' && 'Enter the seller’s name.',
    currency: !isCurrency && 'Type the currency as its three letters, such as EUR.',
    taxPercent: (!Number.isInteger(taxBp) || taxBp < 0) && 'Type the tax as a percentage, such as 20.',
    leadDays: wholeTyped(typed.leadDays, 3) === null && 'Enter the delivery time in days, such as 3.',
    shipping:
      isCurrency &&
      shipping === null &&
      'Type the shipping as none, 4.90, or 4.90, free from 50.00, or 500 g 4.90; 2000 g 8.90.',
    promotion: promotion === undefined && 'Type a promotion such as 5 % until 2026-11-30, or nothing.',
    rating: rating === undefined && 'Type a rating such as 4.6 of 120, or nothing.',
    leastOrder:
      isTyped(typed.leastOrder) &&
      isCurrency &&
      leastOrderCents === null &&
      'Type the least order as an amount, such as 25, or nothing.',
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
