'use client';
import { useTranslations } from '#translations';
import { countedPrice, type ExchangeRate } from '@/core/pricing/counted-price';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { SellerTerms } from '@/core/pricing/seller-terms';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { readTyped, wholeTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { moneyText } from '../words/amounts';
import type { MarketOffer, ShownPrice } from './listed-offer';
import { couponText, parseCoupon, stepLines } from './sellers/terms-words';

/** What prices are counted with: the shop's currency, its day, and the rates that were noted. */
export interface PriceGround {
  currency: string;
  day: string;
  rates: readonly ExchangeRate[];
}

interface PriceFormProps {
  offer: MarketOffer;
  /** its price of now */
  latest: ShownPrice;
  /** null: the shelf, or a seller whose numbers are what the shop pays */
  terms: SellerTerms | null;
  ground: PriceGround;
  onDone: () => void;
}

interface PriceTyped {
  amount: string;
  coupon: string;
  units: string;
}

/** What stands in the field at first; where nobody noted what the seller prints, nothing. */
const startAmount = (cents: number | null, currency: string): string =>
  cents === null ? '' : plainMoney(cents, currency);

/** What was typed, as it is sent, with the steps it comes to; or what is wrong with it. */
function readPrice(
  t: StaffWords<'offers'>,
  typed: PriceTyped,
  offer: MarketOffer,
  terms: SellerTerms | null,
  ground: PriceGround,
) {
  const currency = terms?.currency ?? ground.currency;
  const cents = parseMoneyIn(typed.amount, currency) ?? 0;
  const coupon = terms === null ? null : parseCoupon(typed.coupon, currency);
  const units = terms === null ? 1 : (wholeTyped(typed.units, 3) ?? 0);
  const isRight = cents > 0 && coupon !== undefined && units > 0;
  const counted =
    terms === null || !isRight ? null : countedPrice({ cents, coupon, modules: offer.modules, units }, terms, ground);
  const looked = {
    amount:
      cents <= 0
        ? t('faults.priceAbove')
        : counted?.ok === false && t('faults.noRate', { from: currency, to: ground.currency }),
    coupon: coupon === undefined && t('faults.coupon'),
    units: units < 1 && t('faults.together'),
  };
  return readTyped<PriceTyped, { body: object; counted: typeof counted }>(looked, () => ({
    body: terms === null ? { costCents: cents } : { printedCents: cents, coupon, units },
    counted,
  }));
}

/** Where an offer gets a new price, with every step from the seller's list to what we pay. */
export function PriceForm({ offer, latest, terms, ground, onDone }: PriceFormProps) {
  const t = useTranslations('offers');
  const { save } = useSave();
  const currency = terms?.currency ?? ground.currency;
  const read = (typed: PriceTyped) => readPrice(t, typed, offer, terms, ground);
  const typing = useTyped({
    from: {
      amount: startAmount(terms === null ? offer.costCents : latest.printedCents, currency),
      coupon: couponText(t, latest.coupon, currency),
      units: String(latest.units ?? 1),
    },
    read,
    send: async ({ body }) => {
      const result = await save('POST', `/api/offers/${offer.id}/price`, body);
      if (result.ok) onDone();
      return result;
    },
  });
  const price = read(typing.form.watch());
  const counted = price.ok && price.value.counted?.ok ? price.value.counted : null;
  return (
    <Form
      typing={typing}
      className="grid grid-cols-6 items-end has-[[aria-invalid]]:items-start gap-2"
      action={t('save')}
    >
      <TextField
        name="amount"
        label={terms === null ? t('price.wePay') : t('price.printed', { value: offer.sellerName ?? t('price.seller') })}
        inputMode="decimal"
        unit={currency}
        autoFocus
        className="col-span-6"
      />
      {terms !== null && (
        <>
          <TextField
            name="coupon"
            label={t('price.coupon')}
            placeholder={t('price.couponExample')}
            className="col-span-4"
          />
          <TextField name="units" label={t('price.together')} inputMode="numeric" className="col-span-2" />
        </>
      )}
      {counted !== null && counted.steps.length > 0 && (
        <dl
          className="col-span-6 grid grid-cols-[1fr_auto] gap-x-4 text-sm border-y border-line py-1.5"
          aria-live="polite"
        >
          {stepLines(t, counted.steps).map(({ text, amount }) => (
            <div key={text} className="contents">
              <dt className="text-ink-2">{text}</dt>
              <dd className="text-right">{amount}</dd>
            </div>
          ))}
          <dt className="font-semibold border-t border-line mt-1 pt-1">{t('price.one')}</dt>
          <dd className="font-semibold text-right border-t border-line mt-1 pt-1">
            {moneyText(counted.costCents, ground.currency)}
          </dd>
        </dl>
      )}
    </Form>
  );
}
