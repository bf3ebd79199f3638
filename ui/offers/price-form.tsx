'use client';
import { useState } from 'react';
import { countedPrice, type ExchangeRate } from '@/core/pricing/counted-price';
import { plainMoney } from '@/core/pricing/currency';
import { moneyText } from '@/core/pricing/money-text';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { SellerTerms } from '@/core/pricing/seller-terms';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import type { MarketOffer, NotedPrice } from './listed-offer';
import { couponText, parseCoupon, stepLines } from './sellers/terms-words';

/** What prices are counted with: the shop's currency, its day, and the rates that were noted. */
export interface CountingGround {
  currency: string;
  day: string;
  rates: readonly ExchangeRate[];
}

interface PriceFormProps {
  offer: MarketOffer;
  /** its price of now */
  latest: NotedPrice;
  /** null: the shelf, or a seller whose numbers are what the shop pays */
  terms: SellerTerms | null;
  ground: CountingGround;
  onDone: () => void;
}

interface Typed {
  amount: string;
  coupon: string;
  units: string;
}

/** What stands in the field at first; where nobody noted what the seller prints, nothing. */
const startAmount = (cents: number | null, currency: string): string =>
  cents === null ? '' : plainMoney(cents, currency);

/** What was typed, as it is sent, with the steps it comes to; or what is wrong with it. */
function priceOf(typed: Typed, offer: MarketOffer, terms: SellerTerms | null, ground: CountingGround) {
  const currency = terms?.currency ?? ground.currency;
  const cents = parseMoneyIn(typed.amount, currency);
  if (cents === null || cents <= 0) {
    return { ok: false as const, sentence: 'A price must be more than 0: type an amount such as 24.50.' };
  }
  if (terms === null) return { ok: true as const, body: { costCents: cents }, steps: [], costCents: cents };
  const coupon = parseCoupon(typed.coupon, currency);
  if (coupon === undefined)
    return { ok: false as const, sentence: 'Type a coupon such as 10 % until 2026-12-31, or 5.00.' };
  const units = /^\d{1,3}$/.test(typed.units.trim()) ? Number(typed.units) : 0;
  if (units < 1) return { ok: false as const, sentence: 'Type how many are ordered together, such as 1.' };
  const counted = countedPrice({ cents, coupon, modules: offer.modules, units }, terms, ground);
  if (!counted.ok) return { ok: false as const, sentence: counted.sentence };
  const body = { printedCents: cents, coupon, units };
  return { ok: true as const, body, steps: counted.steps, costCents: counted.costCents };
}

/** Where an offer gets a new price, with every step from the seller's list to what we pay. */
export function PriceForm({ offer, latest, terms, ground, onDone }: PriceFormProps) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState<Typed>({
    amount: startAmount(terms === null ? offer.costCents : latest.printedCents, terms?.currency ?? ground.currency),
    coupon: couponText(latest.coupon, terms?.currency ?? ground.currency),
    units: String(latest.units ?? 1),
  });
  const [tried, setTried] = useState(false);
  const price = priceOf(typed, offer, terms, ground);
  const set = (field: keyof Typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const submit = async () => {
    setTried(true);
    if (!price.ok) return;
    const result = await save('POST', `/api/offers/${offer.id}/price`, price.body);
    if (result.ok) onDone();
  };
  const wrong = tried && !price.ok ? price.sentence : sentence;
  return (
    <form
      className="grid grid-cols-6 items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <Field
        label={terms === null ? 'What we pay, without tax' : `Printed by ${offer.sellerName ?? 'the seller'}`}
        inputMode="decimal"
        unit={terms?.currency ?? ground.currency}
        value={typed.amount}
        onChange={set('amount')}
        error={wrong}
        autoFocus
        className={terms === null ? 'col-span-4' : 'col-span-6'}
      />
      {terms !== null && (
        <>
          <Field
            label="Coupon"
            placeholder="10 % until 2026-12-31"
            value={typed.coupon}
            onChange={set('coupon')}
            className="col-span-4"
          />
          <Field
            label="Ordered together"
            inputMode="numeric"
            value={typed.units}
            onChange={set('units')}
            className="col-span-2"
          />
        </>
      )}
      {price.ok && price.steps.length > 0 && (
        <dl
          className="col-span-6 grid grid-cols-[1fr_auto] gap-x-4 text-sm border-y border-line py-1.5"
          aria-live="polite"
        >
          {stepLines(price.steps).map(({ text, amount }) => (
            <div key={text} className="contents">
              <dt className="text-ink-2">{text}</dt>
              <dd className="text-right">{amount}</dd>
            </div>
          ))}
          <dt className="font-semibold border-t border-line mt-1 pt-1">one costs us</dt>
          <dd className="font-semibold text-right border-t border-line mt-1 pt-1">
            {moneyText(price.costCents, ground.currency)}
          </dd>
        </dl>
      )}
      <Button
        weight="act"
        type="submit"
        disabled={busy}
        className={terms === null ? 'col-span-2' : 'col-span-6 justify-self-end'}
      >
        Note the price
      </Button>
    </form>
  );
}
