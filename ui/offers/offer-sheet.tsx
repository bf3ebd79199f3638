'use client';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { MIB_PER_GB } from '@/core/memory/capacity';
import type { SellerTerms } from '@/core/pricing/seller-terms';
import { callOnce } from '../client/session-guard';
import { Sheet } from '../kit/sheet';
import { moneyText } from '../words/amounts';
import type { MarketOffer, ShownPrice } from './listed-offer';
import { PriceForm, type PriceGround } from './price-form';
import { PriceHistory } from './price-history';
import { couponText, stepLines } from './sellers/terms-words';

interface OfferSheetProps {
  offer: MarketOffer;
  /** null: the shelf, or a seller whose numbers are what the shop pays */
  terms: SellerTerms | null;
  ground: PriceGround;
  mayPrice: boolean;
  onClose: (priced: boolean) => void;
}

/** What the price of now is made of: each, per GB, what is printed, and every step from there to what counts. */
function PriceOfNow({
  offer,
  latest,
  terms,
  ground,
}: Pick<OfferSheetProps, 'offer' | 'terms' | 'ground'> & { latest: ShownPrice }) {
  const t = useTranslations('offers');
  const { currency } = ground;
  const gb = (offer.modules * offer.module.capacityMiB) / MIB_PER_GB;
  const each = (cents: number): string => moneyText(cents, currency);
  const lines = [
    ...stepLines(t, latest.steps ?? []),
    { text: t('count.costs'), amount: each(latest.costCents) },
    ...(offer.modules > 1
      ? [{ text: t('count.module'), amount: each(Math.round(latest.costCents / offer.modules)) }]
      : []),
    { text: t('count.gb'), amount: each(Math.round(latest.costCents / gb)) },
    { text: t('count.customer'), amount: each(offer.sellCents) },
  ];
  const { coupon } = latest;
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-4 text-sm border-y border-line py-1.5">
      {lines.map(({ text, amount }) => (
        <div key={text} className="contents">
          <dt className="text-ink-2">{text}</dt>
          <dd className="text-right">{amount}</dd>
        </div>
      ))}
      {coupon !== null && (
        <div className="contents">
          <dt className="text-ink-2">
            {coupon.endsOn !== null && coupon.endsOn < ground.day ? t('count.ended') : t('terms.coupon')}
          </dt>
          <dd className="text-right">{couponText(t, coupon, terms?.currency ?? currency)}</dd>
        </div>
      )}
    </dl>
  );
}

/** An offer's price of now in its steps, a new one where somebody may note it, and every price it had. */
export function OfferSheet({ offer, terms, ground, mayPrice, onClose }: OfferSheetProps) {
  const t = useTranslations('offers');
  const [prices, setPrices] = useState<ShownPrice[] | null>(null);
  const [sentence, setSentence] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    void callOnce<ShownPrice[]>('POST', `/api/offers/${offer.id}/prices`, null).then((answer) => {
      if (!here) return;
      if (answer.ok) setPrices(answer.value);
      else setSentence(answer.sentence);
    });
    return () => {
      here = false;
    };
  }, [offer.id]);
  const latest = prices?.[0];
  return (
    <Sheet
      open
      title={mayPrice ? t('price.new') : t('price.prices')}
      description={t('price.what', { title: offer.title })}
      onClose={() => onClose(false)}
    >
      {sentence !== null && (
        <p role="alert" className="text-stop font-medium">
          {sentence}
        </p>
      )}
      {latest === undefined || prices === null ? (
        sentence === null && <p role="status">{t('price.loading')}</p>
      ) : (
        <div className="grid gap-4">
          {mayPrice && (
            <PriceForm offer={offer} latest={latest} terms={terms} ground={ground} onDone={() => onClose(true)} />
          )}
          <section aria-label={t('price.now')} className="grid gap-1">
            <h3 className="text-sm font-semibold">{t('price.now')}</h3>
            <PriceOfNow offer={offer} latest={latest} terms={terms} ground={ground} />
          </section>
          <PriceHistory prices={prices} currency={ground.currency} />
        </div>
      )}
    </Sheet>
  );
}
