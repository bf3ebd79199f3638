'use client';
import { useMemo, useState } from 'react';
import { capacityText, MIB_PER_GB } from '@/core/memory/capacity';
import { generationText } from '@/core/memory/module-words';
import { moneyText } from '@/core/pricing/money-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { Notice } from '../kit/notice';
import type { ListedOffer } from './listed-offer';
import { PriceLine } from './price-line';
import { type CountingGround, PriceSheet } from './price-sheet';
import { type LateList, type ListedSeller, SellerList } from './seller-list';

function OfferRow({
  offer,
  currency,
  mayPrice,
  onPrice,
}: {
  offer: ListedOffer;
  currency: string;
  mayPrice: boolean;
  onPrice: () => void;
}) {
  const gb = (offer.modules * offer.module.capacityMiB) / MIB_PER_GB;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_6.5rem_7rem_6rem_5rem] gap-3 items-center px-4 py-1.5 border-b border-line text-sm max-[860px]:grid-cols-[1fr_auto_auto]">
      <span className="min-w-0">
        <span className="block font-medium truncate">{offer.title}</span>
        <span className="text-ink-2">
          {offer.origin} · {offer.seller}
          {offer.stock !== null && ` · ${offer.stock} left`}
        </span>
      </span>
      <span className="max-[860px]:hidden">
        <PriceLine history={offer.history} />
      </span>
      <span className="text-right max-[860px]:hidden text-ink-2">we pay {moneyText(offer.costCents, currency)}</span>
      <span className="text-right">
        <span className="block font-semibold">{moneyText(offer.sellCents, currency)}</span>
        <span className="text-ink-2">{moneyText(Math.round(offer.sellCents / gb), currency)}/GB</span>
      </span>
      <span className="text-right">
        {mayPrice && (
          <Button weight="quiet" onClick={onPrice} aria-label={`Re-price ${offer.title}`}>
            Re-price
          </Button>
        )}
      </span>
    </li>
  );
}

function Refresh() {
  const { busy, sentence, save } = useSave();
  const [said, setSaid] = useState<string[]>([]);
  const refresh = async () => {
    const result = await save<{ sentence: string }[]>('POST', '/api/offers/refresh');
    if (result.ok) setSaid(result.value.map((one) => one.sentence));
  };
  return (
    <div className="grid gap-2">
      <div className="flex justify-end">
        <Button onClick={refresh} disabled={busy}>
          {busy ? 'Asking the sellers…' : 'Ask the sellers for today’s prices'}
        </Button>
      </div>
      <Fault sentence={sentence} />
      {said.length > 0 && (
        <Notice tone="good" live>
          {said.join(' ')}
        </Notice>
      )}
    </div>
  );
}

interface OfferListProps {
  offers: readonly ListedOffer[];
  sellers: readonly ListedSeller[];
  lists: readonly LateList[];
  ground: CountingGround;
  mayPrice: boolean;
  feeds: number;
}

/** All offers by what they fit, with what they cost us, what a customer pays, and how the price went. */
export function OfferList({ offers, sellers, lists, ground, mayPrice, feeds }: OfferListProps) {
  const { currency } = ground;
  const [wanted, setWanted] = useState('');
  const [pricing, setPricing] = useState<ListedOffer | null>(null);
  const groups = useMemo(() => {
    const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
    const shown = offers.filter((offer) =>
      words.every((word) => `${offer.title} ${offer.origin} ${offer.seller}`.toLowerCase().includes(word)),
    );
    const byFit = new Map<string, ListedOffer[]>();
    for (const offer of shown) {
      const fit = `${generationText(offer.module)} ${offer.module.form}, ${capacityText(offer.module.capacityMiB)} modules`;
      byFit.set(fit, [...(byFit.get(fit) ?? []), offer]);
    }
    return [...byFit];
  }, [offers, wanted]);
  return (
    <div className="grid gap-4">
      <div className="flex items-center gap-4 flex-wrap">
        <input
          aria-label="Find offers"
          placeholder="Find: 16 GB SO-DIMM original"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className={`${INPUT_LOOK} flex-1 min-w-48`}
        />
        {mayPrice && feeds > 0 && <Refresh />}
      </div>
      {wanted === '' && <SellerList sellers={sellers} lists={lists} ground={ground} mayPrice={mayPrice} />}
      {groups.length === 0 && (
        <p className="bg-sheet border border-line px-4 py-8 text-center">No offer has all of these words.</p>
      )}
      {groups.map(([fit, own]) => (
        <section key={fit} aria-label={fit}>
          <h2 className="text-base border-b-4 border-edge pb-1">{fit}</h2>
          <ul className="bg-sheet">
            {own.map((offer) => (
              <OfferRow
                key={offer.id}
                offer={offer}
                currency={currency}
                mayPrice={mayPrice}
                onPrice={() => setPricing(offer)}
              />
            ))}
          </ul>
        </section>
      ))}
      {pricing !== null && (
        <PriceSheet
          offer={pricing}
          terms={sellers.find(({ id }) => id === pricing.sellerId)?.terms ?? null}
          ground={ground}
          onClose={() => setPricing(null)}
        />
      )}
    </div>
  );
}
