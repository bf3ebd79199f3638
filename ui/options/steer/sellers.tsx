'use client';
import { useMemo } from 'react';
import { useTranslations } from '#translations';
import type { PlanCase } from '@/core/planning/model/case';
import { useJob } from '../../job/job-context';
import { Check } from '../../kit/check';
import { sellerText } from '../../words/market-words';
import { daysText } from '../said/delivery';
import type { OfferFiltersProps } from './offer-filters-props';

/** Sellers of what is on offer, each with how many offers and how soon they are here, the quickest first. */
function useSellers(planCase: PlanCase, sellersOut: readonly string[]) {
  const { job } = useJob();
  return useMemo(() => {
    const sellers = new Map<string, { name: string; offers: number; leadDays: number | null }>();
    for (const name of sellersOut) sellers.set(name, { name, offers: 0, leadDays: null });
    for (const { id } of planCase.offers) {
      const supply = job.supplies[id];
      if (supply === undefined) continue;
      const { seller: name, leadDays } = supply;
      sellers.set(name, { name, offers: (sellers.get(name)?.offers ?? 0) + 1, leadDays });
    }
    return [...sellers.values()].sort(
      (a, b) => (a.leadDays ?? 0) - (b.leadDays ?? 0) || (a.name < b.name ? -1 : a.name > b.name ? 1 : 0),
    );
  }, [planCase, job.supplies, sellersOut]);
}

/** From whom anything may be bought. */
export function Sellers({ steering, onSteer, planCase }: OfferFiltersProps) {
  const t = useTranslations('options');
  const { sellersOut } = steering;
  const sellers = useSellers(planCase, sellersOut);
  const left = sellers.filter(({ name }) => !sellersOut.includes(name)).length;
  const flip = (name: string, wanted: boolean) => {
    const next = wanted ? sellersOut.filter((one) => one !== name) : [...sellersOut, name];
    onSteer({ sellersOut: next.toSorted() });
  };
  return (
    <fieldset className="min-w-0">
      <legend className="text-sm font-semibold">{t('sellers.from')}</legend>
      {sellers.map((seller) => (
        <OneSeller
          key={seller.name}
          {...seller}
          isWanted={!sellersOut.includes(seller.name)}
          // Somebody has to sell.
          onChange={(next) => (next || left > 1) && flip(seller.name, next)}
        />
      ))}
      {sellersOut.length > 0 && (
        <button
          type="button"
          className="text-sm text-left underline underline-offset-4 decoration-edge hover:decoration-ink cursor-pointer min-h-8"
          onClick={(event) => {
            // The button goes with what it undid.
            event.currentTarget.closest('details')?.querySelector('summary')?.focus();
            onSteer({ sellersOut: [] });
          }}
        >
          {t('sellers.all')}
        </button>
      )}
    </fieldset>
  );
}

interface OneSellerProps {
  name: string;
  offers: number;
  leadDays: number | null;
  isWanted: boolean;
  onChange: (isWanted: boolean) => void;
}

/** One seller, to buy from or not. */
function OneSeller({ name, offers, leadDays, isWanted, onChange }: OneSellerProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  return (
    <div className="flex items-center gap-3 min-h-8">
      <Check className="grow" checked={isWanted} onChange={onChange}>
        <span className={isWanted ? '' : 'line-through text-ink-2'}>{sellerText(tTrade, name)}</span>
      </Check>
      <span className="text-sm text-ink-2 whitespace-nowrap">
        {t('sellers.offers', { offers })}, {daysText(t, leadDays ?? 0)}
      </span>
    </div>
  );
}
