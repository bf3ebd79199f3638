'use client';
import dynamic from 'next/dynamic';
import { useTranslations } from '#translations';
import type { ListedSeller } from '@/service/market/view';
import type { PriceGround } from '../price-form';
import type { AskedMarket } from './market-address';
import { shelfText } from './market-words';
import type { OpenSheet } from './open-sheet';
import type { MarketWindow } from './use-market';
import type { MarketActs } from './use-market-acts';

// Fetched with the first sheet that opens: who looks for an offer needs none.
const ManyOrigins = dynamic(() => import('../many-origins').then((module) => module.ManyOrigins), { ssr: false });
const OfferForm = dynamic(() => import('../offer-form').then((module) => module.OfferForm), { ssr: false });
const OfferSheet = dynamic(() => import('../offer-sheet').then((module) => module.OfferSheet), { ssr: false });

interface MarketSheetsProps {
  sheet: OpenSheet | null;
  shelf: MarketWindow['shelves'][number] | null;
  asked: AskedMarket;
  sellers: readonly ListedSeller[];
  ground: PriceGround;
  mayPrice: boolean;
  acts: MarketActs;
  onSheet: (sheet: OpenSheet | null) => void;
  onPriced: () => void;
}

/** The sheets over the market. */
export function MarketSheets(props: MarketSheetsProps) {
  const t = useTranslations('offers');
  const { sheet, shelf, asked, sellers, ground, mayPrice, acts, onSheet, onPriced } = props;
  const close = () => onSheet(null);
  if (sheet?.kind === 'origin' && shelf !== null)
    return (
      <ManyOrigins
        wish={{ text: asked.text, jobId: asked.jobId, familyId: shelf.familyId === 0 ? null : shelf.familyId }}
        count={shelf.offers}
        what={`${shelfText(t, shelf.label)}${asked.text === '' ? '' : t('find.by', { text: asked.text })}`}
        onClose={close}
        onSaved={(sentence, event) => {
          close();
          acts.tell(sentence, { kind: 'origin', event });
        }}
      />
    );
  if (sheet?.kind === 'write')
    return (
      <OfferForm
        key={sheet.from?.copy ? 'copy' : 'own'}
        from={sheet.from}
        sellers={sellers.filter(({ retired }) => !retired)}
        currency={ground.currency}
        onClose={close}
        onCopy={() => onSheet(sheet.from === null ? null : { kind: 'write', from: { ...sheet.from, copy: true } })}
        onSaved={(sentence, gone) => {
          close();
          acts.tell(sentence, gone === undefined ? undefined : { kind: 'withdrawn', offer: gone });
        }}
      />
    );
  if (sheet?.kind === 'look')
    return (
      <OfferSheet
        offer={sheet.offer}
        terms={sellers.find(({ id }) => id === sheet.offer.sellerId)?.terms ?? null}
        ground={ground}
        mayPrice={mayPrice}
        onClose={(priced) => {
          close();
          if (priced) onPriced();
        }}
      />
    );
  return null;
}
