'use client';
import { useState } from 'react';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Choice } from '../../kit/choice';
import { Fault } from '../../kit/fault';
import { Field } from '../../kit/field';
import { Sheet } from '../../kit/sheet';
import type { ListedSeller } from './listed-seller';
import { SellerEnds } from './seller-ends';
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

export const TRUST_WORDS = {
  'own-stock': 'sells its own stock',
  marketplace: 'a marketplace: others sell there',
} as const;

/** A seller's terms, to be changed: what its numbers mean, how it sells, what others say of it. */
export function SellerSheet({
  seller,
  others,
  currency,
  onClose,
  onSaved,
}: {
  seller: ListedSeller;
  /** whom it may be merged with */
  others: readonly ListedSeller[];
  currency: string;
  onClose: () => void;
  onSaved: (sentence: string) => void;
}) {
  const { busy, sentence, save } = useSave();
  const { terms } = seller;
  const isNew = seller.id === 0;
  const [typed, setTyped] = useState({
    name: seller.name,
    partsOf: seller.partsOf ?? '',
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
    if (typed.name.trim() === '') return setWrong('Enter the seller’s name.');
    if (!/^\d{1,3}$/.test(typed.leadDays.trim())) return setWrong('Enter the delivery time in days, such as 3.');
    setWrong(null);
    const [method, path] = isNew
      ? (['POST', '/api/sellers'] as const)
      : (['PUT', `/api/sellers/${seller.id}`] as const);
    const result = await save<{ changed?: number }>(method, path, {
      name: typed.name,
      partsOf: typed.partsOf,
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
    const { changed = 0 } = result.value;
    onSaved(
      isNew
        ? `${typed.name.trim()} is added. Import its price list, or add its offers.`
        : `${typed.name.trim()}: ${changed === 1 ? '1 price' : `${changed} prices`} counted anew.`,
    );
    onClose();
  };
  return (
    <Sheet
      open
      wide
      title={isNew ? 'Add a seller' : seller.name}
      description="What its prices mean. Costs are counted by these terms."
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
          label="Name"
          className="col-span-3"
          value={typed.name}
          maxLength={80}
          onChange={set('name')}
          autoFocus={isNew}
        />
        <Field
          label="Sells original parts of"
          className="col-span-3"
          placeholder="a machine maker"
          hint="leave blank unless it is a maker’s own parts shop"
          value={typed.partsOf}
          maxLength={80}
          onChange={set('partsOf')}
        />
        <Field
          label="Currency"
          className="col-span-2"
          value={typed.currency}
          maxLength={3}
          onChange={set('currency')}
          autoFocus={!isNew}
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
          label="Delivery time"
          unit="days"
          inputMode="numeric"
          className="col-span-2"
          value={typed.leadDays}
          onChange={set('leadDays')}
        />
        <Check checked={withTax} onChange={setWithTax} className="col-span-3 min-h-9">
          prices include tax
        </Check>
        <Check checked={taxBack} onChange={setTaxBack} className="col-span-3 min-h-9">
          tax is refunded to us
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
          label="Kind of seller"
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
          label="Mail for orders"
          className="col-span-4"
          placeholder="orders@seller.example"
          value={typed.orderMail}
          maxLength={200}
          onChange={set('orderMail')}
        />
        <Field
          label="Minimum order"
          className="col-span-2"
          placeholder="any"
          value={typed.leastOrder}
          onChange={set('leastOrder')}
        />
        <Field
          label="Other contact"
          className="col-span-6"
          placeholder="a telephone number, an account"
          value={typed.orderContact}
          maxLength={200}
          onChange={set('orderContact')}
        />
        <div className="col-span-6">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-6 flex flex-wrap justify-end items-center gap-2">
          {!isNew && (
            <SellerEnds
              seller={seller}
              others={others}
              onDone={(sentence) => {
                onSaved(sentence);
                onClose();
              }}
            />
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            {isNew ? 'Add' : 'Save'}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
