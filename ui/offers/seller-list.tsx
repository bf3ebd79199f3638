'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { SellerTerms } from '@/core/pricing/seller-terms';
import { dayText } from '@/core/quoting/day-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { Sheet } from '../kit/sheet';
import type { ShownFeed } from './feed-words';
import { type ListState, STATE_TEXTS } from './list-words';
import { ratingText } from './market-words';
import type { CountingGround } from './price-form';
import {
  couponText,
  parseCoupon,
  parseRating,
  parseShipping,
  ratingTyped,
  shippingText,
  termsText,
} from './terms-words';

export interface ListedSeller {
  id: number;
  name: string;
  leadDays: number;
  terms: SellerTerms | null;
  trust: 'own-stock' | 'marketplace';
  returns: string;
  orderContact: string;
  rating: number | null;
  ratingCount: number | null;
  offers: number;
}

const TRUST_WORDS = { 'own-stock': 'sells its own stock', marketplace: 'a marketplace: others sell there' } as const;

function SellerSheet({
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
    shipping: shippingText(terms?.shipping ?? { kind: 'none' }),
    returns: seller.returns,
    orderContact: seller.orderContact,
    trust: seller.trust,
    promotion: couponText(terms?.promotion ?? null),
    rating: ratingTyped(seller.rating, seller.ratingCount),
  });
  const [withTax, setWithTax] = useState(terms?.withTax ?? false);
  const [taxBack, setTaxBack] = useState(terms?.taxBack ?? true);
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (field: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const submit = async () => {
    const shipping = parseShipping(typed.shipping);
    const taxBp = Math.round(Number(typed.taxPercent.replace(',', '.')) * 100);
    if (shipping === null)
      return setWrong('Type the shipping as none, 4.90, or 4.90, free from 50.00, or 500 g 4.90; 2000 g 8.90.');
    if (!Number.isInteger(taxBp) || taxBp < 0) return setWrong('Type the tax as a percentage, such as 20.');
    const promotion = parseCoupon(typed.promotion);
    if (promotion === undefined) return setWrong('Type a promotion such as 5 % until 2026-11-30, or nothing.');
    const rating = parseRating(typed.rating);
    if (rating === undefined) return setWrong('Type a rating such as 4.6 of 120, or nothing.');
    setWrong(null);
    const result = await save<{ changed: number }>('PUT', `/api/sellers/${seller.id}`, {
      leadDays: Number(typed.leadDays),
      terms: { currency: typed.currency.trim().toUpperCase(), withTax, taxBp, taxBack, shipping, promotion },
      trust: typed.trust,
      returns: typed.returns,
      orderContact: typed.orderContact,
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
          label="Orders go to"
          className="col-span-6"
          placeholder="orders@… or a telephone number"
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

/** Dated rates of the currencies that sellers print in. */
function Rates({ ground, currencies }: { ground: CountingGround; currencies: readonly string[] }) {
  const { busy, sentence, save } = useSave();
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  if (currencies.length === 0) return null;
  const note = async (from: string) => {
    const micro = Math.round(Number(text.replace(',', '.')) * 1_000_000);
    if (!Number.isSafeInteger(micro) || micro <= 0) return setWrong('Type a rate such as 0.88.');
    setWrong(null);
    const result = await save('POST', '/api/rates', { from, micro, on: ground.day });
    if (result.ok) setText('');
  };
  return (
    <ul className="px-4 py-2 border-b border-line grid gap-1 text-sm">
      {currencies.map((currency) => {
        const [latest] = ground.rates.filter(({ from }) => from === currency);
        return (
          <li key={currency} className="flex flex-wrap items-end gap-3">
            <span className="flex-1 min-w-56 py-2">
              {latest === undefined ? (
                <span className="text-mind">△ There is no rate for {currency} yet: its prices cannot be counted.</span>
              ) : (
                <>
                  1 {currency} = {(latest.micro / 1_000_000).toString()} {ground.currency}
                  <span className="text-ink-2"> since {dayText(latest.on)}</span>
                </>
              )}
            </span>
            <Field
              label={`Today’s rate, ${ground.currency} for 1 ${currency}`}
              inputMode="decimal"
              value={text}
              onChange={(event) => setText(event.target.value)}
              error={wrong ?? sentence}
            />
            <Button disabled={busy || text.trim() === ''} onClick={() => void note(currency)}>
              Note it
            </Button>
          </li>
        );
      })}
    </ul>
  );
}

/** A seller's price list, chosen as a file: it opens to be looked at. */
function ListDrop({ seller }: { seller: ListedSeller }) {
  const chooser = useRef<HTMLInputElement>(null);
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const take = async (file: File | undefined) => {
    if (file === undefined) return;
    const result = await save<{ id: number }>('POST', `/api/sellers/${seller.id}/lists`, file);
    if (result.ok) router.push(`/offers/lists/${result.value.id}`);
  };
  return (
    <>
      <Button
        weight="quiet"
        disabled={busy}
        onClick={() => chooser.current?.click()}
        aria-label={`Price list of ${seller.name}`}
      >
        {busy ? 'Sending…' : 'Price list'}
      </Button>
      <input
        ref={chooser}
        type="file"
        tabIndex={-1}
        aria-label={`File of ${seller.name}`}
        className="sr-only"
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {sentence !== null && (
        <span role="alert" className="text-stop">
          {sentence}
        </span>
      )}
    </>
  );
}

/** A price list of late and how it stands. */
export interface LateList {
  id: number;
  name: string;
  seller: string;
  state: ListState;
}

interface SellerListProps {
  feeds: readonly ShownFeed[];
  lists: readonly LateList[];
  sellers: readonly ListedSeller[];
  ground: CountingGround;
  mayPrice: boolean;
}

/** How a seller's feed does; nothing where it has none. */
function FeedLine({ feed }: { feed: ShownFeed | undefined }) {
  if (feed === undefined || feed.sentence === null) return null;
  return (
    <span className={`block ${feed.ok ? '' : 'text-mind'}`}>
      {feed.ok ? '' : '△ '}feed: {feed.sentence} {feed.age !== null && `Last well ${feed.age}.`}
    </span>
  );
}

/** Who sells, what their numbers mean, and the rates of foreign currencies. */
export function SellerList({ sellers, feeds, lists, ground, mayPrice }: SellerListProps) {
  const [editing, setEditing] = useState<ListedSeller | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const foreign = [...new Set(sellers.flatMap(({ terms }) => (terms === null ? [] : [terms.currency])))].filter(
    (currency) => currency !== ground.currency,
  );
  return (
    <section aria-label="Sellers">
      <h2 className="text-base border-b-4 border-edge pb-1">Sellers</h2>
      <ul className="bg-sheet">
        {sellers.map((seller) => (
          <li key={seller.id} className="flex items-baseline gap-3 px-4 py-1.5 border-b border-line text-sm">
            <span className="font-semibold w-52 shrink-0">{seller.name}</span>
            <span className="flex-1 min-w-0 text-ink-2">
              {termsText(seller.terms, ground.currency)} ·{' '}
              {seller.leadDays === 1 ? 'here in 1 day' : `here in ${seller.leadDays} days`} ·{' '}
              {TRUST_WORDS[seller.trust]}
              {seller.rating !== null &&
                seller.ratingCount !== null &&
                ` · ${ratingText(seller.rating, seller.ratingCount)}`}
              {seller.returns !== '' && ` · returns: ${seller.returns}`}
              <FeedLine feed={feeds.find(({ sellerId }) => sellerId === seller.id)} />
            </span>
            <span className="text-ink-2 whitespace-nowrap">
              {seller.offers} {seller.offers === 1 ? 'offer' : 'offers'}
            </span>
            {mayPrice && (
              <>
                <ListDrop seller={seller} />
                <Button weight="quiet" onClick={() => setEditing(seller)} aria-label={`Terms of ${seller.name}`}>
                  Terms
                </Button>
              </>
            )}
          </li>
        ))}
        {mayPrice && (
          <li>
            <Rates ground={ground} currencies={foreign} />
          </li>
        )}
      </ul>
      {mayPrice && lists.length > 0 && (
        <p className="text-sm text-ink-2 mt-1.5 flex flex-wrap gap-x-4">
          Lists of late:
          {lists.map((list) => (
            <span key={list.id}>
              <Link href={`/offers/lists/${list.id}`} className="text-ink underline underline-offset-2">
                {list.name} of {list.seller}
              </Link>
              , {STATE_TEXTS[list.state]}
            </span>
          ))}
        </p>
      )}
      {said !== null && (
        <div className="mt-2">
          <Notice tone="good" live>
            {said}
          </Notice>
        </div>
      )}
      {editing !== null && (
        <SellerSheet seller={editing} currency={ground.currency} onClose={() => setEditing(null)} onSaved={setSaid} />
      )}
    </section>
  );
}
