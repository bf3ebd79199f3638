'use client';
import { useState } from 'react';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { SellerTerms } from '@/core/pricing/seller-terms';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { couponText, parseCoupon, parseRating, parseShipping, ratingTyped, shippingText } from './terms-words';

export interface ListedSeller {
  id: number;
  name: string;
  leadDays: number;
  terms: SellerTerms | null;
  trust: 'own-stock' | 'marketplace';
  returns: string;
  orderContact: string;
  orderMail: string;
  /** minor units of its currency */
  leastOrderCents: number | null;
  rating: number | null;
  ratingCount: number | null;
  offers: number;
}

export const TRUST_WORDS = {
  'own-stock': 'sells its own stock',
  marketplace: 'a marketplace: others sell there',
} as const;

/** A seller's terms, to be changed: what its numbers mean, how it sells, what others say of it. */
export function SellerSheet({
  seller,
  currency,
  onClose,
  onSaved,
}: {
  seller: ListedSeller;
  currency: string;
  onClose: () => void;
  onSaved: (sentence: string) => void;
}) {
  const { busy, sentence, save } = useSave();
  const { terms } = seller;
  const [typed, setTyped] = useState({
    leadDays: String(seller.leadDays),
    currency: terms?.currency ?? currency,
    taxPercent: String((terms?.taxBp ?? 0) / 100),
    shipping: shippingText(terms?.shipping ?? { kind: 'none' }, terms?.currency ?? currency),
    returns: seller.returns,
    orderContact: seller.orderContact,
    orderMail: seller.orderMail,
    leastOrder: seller.leastOrderCents === null ? '' : plainMoney(seller.leastOrderCents, terms?.currency ?? currency),
    trust: seller.trust,
    promotion: couponText(terms?.promotion ?? null, terms?.currency ?? currency),
    rating: ratingTyped(seller.rating, seller.ratingCount),
  });
  const [withTax, setWithTax] = useState(terms?.withTax ?? false);
  const [taxBack, setTaxBack] = useState(terms?.taxBack ?? true);
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (field: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const submit = async () => {
    const own = typed.currency.trim().toUpperCase();
    if (!/^[A-Z]{3}$/.test(own)) return setWrong('Type the currency as its three letters, such as EUR.');
    const shipping = parseShipping(typed.shipping, own);
    const taxBp = Math.round(Number(typed.taxPercent.replace(',', '.')) * 100);
    if (shipping === null)
      return setWrong('Type the shipping as none, 4.90, or 4.90, free from 50.00, or 500 g 4.90; 2000 g 8.90.');
    if (!Number.isInteger(taxBp) || taxBp < 0) return setWrong('Type the tax as a percentage, such as 20.');
    const promotion = parseCoupon(typed.promotion, own);
    if (promotion === undefined) return setWrong('Type a promotion such as 5 % until 2026-11-30, or nothing.');
    const rating = parseRating(typed.rating);
    if (rating === undefined) return setWrong('Type a rating such as 4.6 of 120, or nothing.');
    const leastOrderCents = typed.leastOrder.trim() === '' ? null : parseMoneyIn(typed.leastOrder, own);
    if (leastOrderCents === null && typed.leastOrder.trim() !== '')
      return setWrong('Type the least order as an amount, such as 25, or nothing.');
    setWrong(null);
    const result = await save<{ changed: number }>('PUT', `/api/sellers/${seller.id}`, {
      leadDays: Number(typed.leadDays),
      terms: { currency: own, withTax, taxBp, taxBack, shipping, promotion },
      trust: typed.trust,
      returns: typed.returns,
      orderContact: typed.orderContact,
      orderMail: typed.orderMail.trim(),
      leastOrderCents,
      ...(rating ?? { rating: null, ratingCount: null }),
    });
    if (!result.ok) return;
    onSaved(
      `${seller.name}: ${result.value.changed === 1 ? '1 price' : `${result.value.changed} prices`} counted anew.`,
    );
    onClose();
  };
  return (
    <Sheet
      open
      wide
      title={seller.name}
      description="What its numbers mean to us. Prices that it printed are counted anew by these terms."
      onClose={onClose}
    >
      <form
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field
          label="Currency"
          className="col-span-2"
          value={typed.currency}
          maxLength={3}
          onChange={set('currency')}
          autoFocus
        />
        <Field
          label="Tax"
          unit="%"
          inputMode="decimal"
          className="col-span-2"
          value={typed.taxPercent}
          onChange={set('taxPercent')}
        />
        <Field
          label="Here after"
          unit="days"
          inputMode="numeric"
          className="col-span-2"
          value={typed.leadDays}
          onChange={set('leadDays')}
        />
        <Check checked={withTax} onChange={setWithTax} className="col-span-3 min-h-9">
          its list holds the tax
        </Check>
        <Check checked={taxBack} onChange={setTaxBack} className="col-span-3 min-h-9">
          we get that tax back
        </Check>
        <Field
          label="Shipping of an order"
          className="col-span-6"
          value={typed.shipping}
          onChange={set('shipping')}
          hint="none · 4.90 · 4.90, free from 50.00 · 500 g 4.90; 2000 g 8.90"
        />
        <Field
          label="Promotion"
          className="col-span-3"
          value={typed.promotion}
          onChange={set('promotion')}
          hint="off everything: 5 % until 2026-11-30"
        />
        <Field
          label="Rating"
          className="col-span-3"
          value={typed.rating}
          onChange={set('rating')}
          hint="stars, and how many gave them: 4.6 of 120"
        />
        <Choice
          label="It is"
          className="col-span-3"
          value={typed.trust}
          onChange={set('trust')}
          options={Object.entries(TRUST_WORDS).map(([value, text]) => ({ value, text }))}
        />
        <Field
          label="Returns"
          className="col-span-3"
          placeholder="30 days, unopened"
          value={typed.returns}
          maxLength={200}
          onChange={set('returns')}
        />
        <Field
          label="Orders are mailed to"
          className="col-span-4"
          placeholder="orders@seller.example"
          value={typed.orderMail}
          maxLength={200}
          onChange={set('orderMail')}
        />
        <Field
          label="Least order"
          className="col-span-2"
          placeholder="any"
          value={typed.leastOrder}
          onChange={set('leastOrder')}
        />
        <Field
          label="Where else it is reached"
          className="col-span-6"
          placeholder="a telephone number, an account"
          value={typed.orderContact}
          maxLength={200}
          onChange={set('orderContact')}
        />
        <div className="col-span-6">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-6 flex justify-end gap-2">
          <Button onClick={onClose}>Leave it as it is</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Save the terms
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
