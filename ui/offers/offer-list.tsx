'use client';
import { useMemo, useState } from 'react';
import { capacityText, MIB_PER_GB } from '@/core/memory/capacity';
import type { MemoryModule } from '@/core/memory/module';
import { generationText } from '@/core/memory/module-words';
import { moneyText } from '@/core/pricing/money-text';
import { parseMoney } from '@/core/pricing/parse-money';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { Notice } from '../kit/notice';
import { Sheet } from '../kit/sheet';
import { PriceLine } from './price-line';

export interface ListedOffer {
  id: number;
  title: string;
  origin: string;
  modules: number;
  module: MemoryModule;
  stock: number | null;
  seller: string;
  costCents: number;
  sellCents: number;
  history: { at: string; costCents: number }[];
}

/** The sheet on which an offer gets a new price; the old ones stay in its history. */
function PriceSheet({ offer, currency, onClose }: { offer: ListedOffer; currency: string; onClose: () => void }) {
  const { busy, sentence, save } = useSave();
  const [text, setText] = useState(String(offer.costCents / 100));
  const [wrong, setWrong] = useState<string | null>(null);
  const submit = async () => {
    const costCents = parseMoney(text);
    if (costCents === null || costCents <= 0) {
      setWrong('A price must be more than 0: type an amount such as 24.50.');
      return;
    }
    const result = await save('POST', `/api/offers/${offer.id}/price`, { costCents });
    if (result.ok) onClose();
  };
  return (
    <Sheet
      open
      title="New price"
      description={`${offer.title}. Quotes that are sent keep the price they went out with.`}
      onClose={onClose}
    >
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field
          label="What we pay, without tax"
          inputMode="decimal"
          unit={currency}
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={wrong ?? sentence}
          autoFocus
          className="flex-1"
        />
        <Button weight="act" type="submit" disabled={busy}>
          Note the price
        </Button>
      </form>
    </Sheet>
  );
}

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
  currency: string;
  mayPrice: boolean;
  feeds: number;
}

/** All offers by what they fit, with what they cost us, what a customer pays, and how the price went. */
export function OfferList({ offers, currency, mayPrice, feeds }: OfferListProps) {
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
      {pricing !== null && <PriceSheet offer={pricing} currency={currency} onClose={() => setPricing(null)} />}
    </div>
  );
}
