'use client';
import { useEffect, useMemo, useState } from 'react';
import { useTranslations } from '#translations';
import {
  filtersOf,
  filtersSet,
  MOST_CAS,
  MOST_HEIGHT_MM,
  MOST_MAKERS,
  UNFILTERED,
} from '@/core/planning/filters/offer-filters';
import type { PlanCase } from '@/core/planning/model/case';
import { callOnce } from '../../client/session-guard';
import { FittingChoice } from '../../intake/fitting-choice';
import { useJob } from '../../job/job-context';
import { Check } from '../../kit/check';
import { Choice } from '../../kit/choice';
import { dayText } from '../../words/amounts';
import type { OfferFiltersProps } from './offer-filters-props';
import { Sellers } from './sellers';
import { Typed } from './typed';

const plain = (name: string): string => name.trim().toLowerCase();

interface Maker {
  maker: string;
  offers: number;
}

/**
 * Makers of what fits, those with the most offers first: of the market, which has more than the ladder needs, of what is on the
 * ladder already, and those that are wanted, whether or not they have anything.
 */
function useMakers(planCase: PlanCase, wanted: readonly string[]): { makers: Maker[]; failed: boolean } {
  const { job } = useJob();
  const [market, setMarket] = useState<readonly Maker[]>([]);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let isOver = false;
    void callOnce<Maker[]>('GET', `/api/jobs/${job.id}/makers`).then((answer) => {
      if (isOver) return;
      if (answer.ok) setMarket(answer.value);
      setFailed(!answer.ok);
    });
    return () => {
      isOver = true;
    };
  }, [job.id]);
  const makers = useMemo(() => {
    const found = new Map<string, Maker>();
    for (const { module } of planCase.offers) {
      if (module.maker == null || module.maker.trim() === '') continue;
      const known = found.get(plain(module.maker));
      found.set(plain(module.maker), { maker: known?.maker ?? module.maker, offers: (known?.offers ?? 0) + 1 });
    }
    for (const one of market) {
      const offers = Math.max(one.offers, found.get(plain(one.maker))?.offers ?? 0);
      found.set(plain(one.maker), { maker: one.maker, offers });
    }
    for (const maker of wanted) if (!found.has(plain(maker))) found.set(plain(maker), { maker, offers: 0 });
    return [...found.values()].sort((a, b) => b.offers - a.offers || (a.maker < b.maker ? -1 : 1));
  }, [planCase, market, wanted]);
  return { makers, failed };
}

/** Of which makers the modules may be. */
function Makers({ steering, onSteer, planCase }: OfferFiltersProps) {
  const t = useTranslations('options');
  const { makers: wanted } = steering;
  const { makers, failed } = useMakers(planCase, wanted);
  const isWanted = (maker: string): boolean => wanted.some((one) => plain(one) === plain(maker));
  const flip = (maker: string, isOn: boolean) => {
    const others = wanted.filter((one) => plain(one) !== plain(maker));
    onSteer({ makers: (isOn ? [...others, maker] : others).toSorted().slice(0, MOST_MAKERS) });
  };
  return (
    <fieldset className="min-w-0">
      <legend className="text-sm font-semibold">
        {t('filters.makers')} <span className="font-normal text-ink-2">{t('filters.noneTicked')}</span>
      </legend>
      <div className="max-h-44 overflow-auto">
        {makers.length === 0 && <p className="text-sm text-ink-2">{t('filters.noMaker')}</p>}
        {makers.map(({ maker, offers }) => (
          <div key={maker} className="flex items-center gap-3 min-h-8">
            <Check className="grow min-w-0" checked={isWanted(maker)} onChange={(next) => flip(maker, next)}>
              <span className="break-words">{maker}</span>
            </Check>
            <span className="text-sm text-ink-2 whitespace-nowrap">{t('sellers.offers', { offers })}</span>
          </div>
        ))}
      </div>
      {failed && <p className="text-sm text-mind">{t('filters.makersFailed')}</p>}
    </fieldset>
  );
}

/** A figure above 0 and at most so much; null: none; undefined: it is no such figure. */
const figureOf =
  (most: number) =>
  (text: string): number | null | undefined => {
    const typed = text.trim().replace(',', '.');
    if (typed === '') return null;
    const value = /^\d{1,3}(?:\.\d{1,2})?$/.test(typed) ? Number(typed) : Number.NaN;
    return value >= 1 && value <= most ? value : undefined;
  };

const textOf = (value: number | null): string => (value === null ? '' : String(value));

/** Stars that can be asked for, hundredths. */
const STARS = [300, 350, 400, 450] as const;

/** How soon it has to be here. */
function Delivery({ steering, onSteer }: OfferFiltersProps) {
  const t = useTranslations('options');
  const { job } = useJob();
  const { inStock, inTime } = steering;
  return (
    <fieldset className="min-w-0">
      <legend className="text-sm font-semibold">{t('filters.delivery')}</legend>
      <Check className="min-h-8" checked={inStock} onChange={(next) => onSteer({ inStock: next })}>
        {t('filters.inStock')}
      </Check>
      {(job.neededBy !== null || inTime) && (
        <Check className="min-h-8" checked={inTime} onChange={(next) => onSteer({ inTime: next })}>
          {job.neededBy === null ? t('filters.noDay') : t('filters.inTime', { day: dayText(job.neededBy) })}
        </Check>
      )}
    </fieldset>
  );
}

/** What the modules and their ratings are held to. */
function Bounds({ steering, onSteer }: OfferFiltersProps) {
  const t = useTranslations('options');
  const { mostCas, mostHeightMm, leastRating, inStock } = steering;
  const stars = [...new Set([...STARS, ...(leastRating === null ? [] : [leastRating])])].sort((a, b) => a - b);
  const hidesUntold = mostCas !== null || mostHeightMm !== null || leastRating !== null || inStock;
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-x-3 gap-y-1.5 items-end">
        <Typed
          label={t('filters.cas')}
          className="w-20"
          value={mostCas}
          text={textOf}
          parse={figureOf(MOST_CAS)}
          wrong={t('filters.faults.cas')}
          onChange={(value, live) => onSteer({ mostCas: value }, live)}
        />
        <Typed
          label={t('filters.height')}
          className="w-28"
          value={mostHeightMm}
          text={textOf}
          parse={figureOf(MOST_HEIGHT_MM)}
          wrong={t('filters.faults.height')}
          onChange={(value, live) => onSteer({ mostHeightMm: value }, live)}
        />
        <Choice
          label={t('filters.stars')}
          className="w-fit"
          value={leastRating === null ? '' : String(leastRating)}
          options={[
            { value: '', text: t('filters.anyStars') },
            ...stars.map((one) => ({ value: String(one), text: t('filters.least', { stars: one / 100 }) })),
          ]}
          onChange={({ target }) => onSteer({ leastRating: target.value === '' ? null : Number(target.value) })}
        />
      </div>
      {hidesUntold && <p className="text-sm text-ink-2">{t('filters.untold')}</p>}
    </div>
  );
}

/** Everything that narrows down which offers the plans are made of. */
export function FilterPanel(props: OfferFiltersProps) {
  const t = useTranslations('options');
  const { steering, onSteer } = props;
  return (
    <div className="grid grid-cols-2 gap-x-5 gap-y-3 max-[620px]:grid-cols-1">
      <div className="grid gap-3 content-start min-w-0">
        <Sellers {...props} />
        <Delivery {...props} />
        <FittingChoice className="w-fit" />
      </div>
      <div className="grid gap-3 content-start min-w-0">
        <Makers {...props} />
        <Bounds {...props} />
        {filtersSet(filtersOf(steering)) > 0 && (
          <button
            type="button"
            className="text-sm text-left w-fit underline underline-offset-4 decoration-edge hover:decoration-ink cursor-pointer min-h-8"
            onClick={(event) => {
              event.currentTarget.closest('details')?.querySelector('summary')?.focus();
              onSteer(UNFILTERED);
            }}
          >
            {t('filters.clear')}
          </button>
        )}
      </div>
    </div>
  );
}
