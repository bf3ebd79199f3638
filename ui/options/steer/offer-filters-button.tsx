'use client';
import dynamic from 'next/dynamic';
import { type FocusEvent, type KeyboardEvent, useEffect, useId, useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { filtersSet } from '@/core/planning/filters/offer-filters';
import { INPUT_LOOK } from '../../kit/field';
import type { OfferFiltersProps } from './offer-filters-props';

// Most ladders are made of all offers: fetched when it is first opened.
const FilterPanel = dynamic(() => import('./filter-panel').then((module) => module.FilterPanel), { ssr: false });

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
      if (event.key !== 'Escape' || event.defaultPrevented || panel.current?.open !== true) return;
      event.stopPropagation();
      close();
      panel.current.querySelector('summary')?.focus();
    },
  };
  return { panel, leaves };
}

/** Which offers the plans are made of: any, or so many filters. */
export function OfferFiltersButton({ steering, onSteer, planCase }: OfferFiltersProps) {
  const t = useTranslations('options');
  const { panel, leaves } = usePanel();
  const [wasOpened, setWasOpened] = useState(false);
  const label = useId();
  const set = filtersSet(steering);
  return (
    <div>
      <span id={label} className="block text-sm font-medium text-ink-2 mb-0.5">
        {t('filters.offers')}
      </span>
      <details ref={panel} className="relative" onToggle={() => setWasOpened(true)} {...leaves}>
        <summary
          className={`${INPUT_LOOK} cursor-pointer list-none whitespace-nowrap flex items-center justify-between gap-3`}
        >
          {set === 0 ? t('filters.any') : t('filters.set', { set })}
          <span aria-hidden className="text-xs">
            ▾
          </span>
        </summary>
        <fieldset
          aria-labelledby={label}
          className="absolute z-40 mt-1 w-[min(42rem,calc(100vw-2rem))] max-h-[min(30rem,70dvh)] overflow-auto bg-sheet border border-edge rounded-notch p-3 shadow-xl max-[1170px]:fixed max-[1170px]:right-4 max-[720px]:left-4 max-[720px]:w-auto"
        >
          {wasOpened && <FilterPanel steering={steering} onSteer={onSteer} planCase={planCase} />}
        </fieldset>
      </details>
    </div>
  );
}
