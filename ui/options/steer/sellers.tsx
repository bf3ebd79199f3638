'use client';
import { type FocusEvent, type KeyboardEvent, useEffect, useMemo, useRef } from 'react';
import { useTranslations } from '#translations';
import type { Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import { useJob } from '../../job/job-context';
import { Check } from '../../kit/check';
import { INPUT_LOOK } from '../../kit/field';
import { sellerText } from '../../words/market-words';
import { daysText } from '../delivery';

interface SellersProps {
  steering: Steering;
  onSteer: (patch: Partial<Steering>) => void;
  planCase: PlanCase;
}

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

/** A panel that closes with a press beside it, with the focus that leaves it, and with Escape. */
function usePanel() {
  const panel = useRef<HTMLDetailsElement>(null);
  const close = () => {
    if (panel.current !== null) panel.current.open = false;
  };
  useEffect(() => {
    const beside = ({ target }: PointerEvent) => {
      if (panel.current?.open === true && !panel.current.contains(target as Node)) panel.current.open = false;
    };
    document.addEventListener('pointerdown', beside);
    return () => document.removeEventListener('pointerdown', beside);
  }, []);
  const leaves = {
    onBlur: ({ currentTarget, relatedTarget }: FocusEvent<HTMLElement>) => {
      // A press on words inside moves the focus nowhere.
      if (relatedTarget !== null && !currentTarget.contains(relatedTarget)) close();
    },
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || panel.current?.open !== true) return;
      event.stopPropagation();
      close();
      panel.current.querySelector('summary')?.focus();
    },
  };
  return { panel, leaves };
}

/** From whom anything may be bought. */
export function Sellers({ steering, onSteer, planCase }: SellersProps) {
  const t = useTranslations('options');
  const { sellersOut } = steering;
  const sellers = useSellers(planCase, sellersOut);
  const { panel, leaves } = usePanel();
  if (sellers.length < 2 && sellersOut.length === 0) return null;
  const left = sellers.filter(({ name }) => !sellersOut.includes(name)).length;
  const flip = (name: string, wanted: boolean) => {
    const next = wanted ? sellersOut.filter((one) => one !== name) : [...sellersOut, name];
    onSteer({ sellersOut: next.toSorted() });
  };
  return (
    <div>
      <span id="sellers-label" className="block text-sm font-medium text-ink-2 mb-0.5">
        {t('sellers.from')}
      </span>
      <details ref={panel} className="relative" {...leaves}>
        <summary
          className={`${INPUT_LOOK} cursor-pointer list-none whitespace-nowrap flex items-center justify-between gap-3`}
        >
          {sellersOut.length === 0 ? t('sellers.any') : t('sellers.some', { left, sellers: sellers.length })}
          <span aria-hidden className="text-xs">
            ▾
          </span>
        </summary>
        <fieldset
          aria-labelledby="sellers-label"
          className="absolute z-40 mt-1 w-max max-w-[min(26rem,90vw)] max-h-80 overflow-auto bg-sheet border border-edge rounded-notch p-2.5 shadow-xl grid gap-1"
        >
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
              onClick={() => {
                panel.current?.querySelector('summary')?.focus();
                onSteer({ sellersOut: [] });
              }}
            >
              {t('sellers.all')}
            </button>
          )}
        </fieldset>
      </details>
    </div>
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
