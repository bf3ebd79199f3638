'use client';
import { useMemo, useState } from 'react';
import { useTranslations } from '#translations';
import { parseWish } from '@/core/planning/explain/wish-line';
import { filteredBy, type OfferFilters } from '@/core/planning/filters/offer-filters';
import type { PlanCase } from '@/core/planning/model/case';
import { offerOf } from '@/core/planning/model/offer-of';
import type { Plan } from '@/core/planning/search/plan';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { ProgressBar } from '../../kit/progress-bar';
import { Sheet } from '../../kit/sheet';
import { moneyText } from '../../words/amounts';
import { LANE_WORDS } from '../said/lane-words';
import { useOfferFacts } from '../steer/use-offer-facts';
import { useWhyNot } from './use-why-not';

interface WhyNotSheetProps {
  /** the case with all that is wished for */
  planCase: PlanCase;
  plans: readonly Plan[];
  /** which offers may be bought at all */
  filters: OfferFilters;
  /** the offer that is asked about at first */
  first: string | null;
  onClose: () => void;
  /** adds an offer to a set that is put together by hand */
  onCompose: (offer: string) => void;
}

/** What filters are called, where they are set. */
const FILTER_WORDS = {
  sellersOut: 'sellers.from',
  makers: 'filters.makers',
  mostCas: 'filters.cas',
  mostHeightMm: 'filters.height',
  leastRating: 'filters.stars',
  inStock: 'filters.inStock',
  inTime: 'filters.byDay',
} as const;

/** Offers that are listed while somebody types. */
const LISTED = 40;

/** Any offer or wish, and why it is not on the ladder, with what would have to change. */
export function WhyNotSheet({ planCase, plans, filters, first, onClose, onCompose }: WhyNotSheetProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  const [line, setLine] = useState('');
  const [offer, setOffer] = useState(first);
  const wish = parseWish(line, planCase.currency);
  const told = useWhyNot(planCase, offer !== null ? { offer } : wish !== null ? { wish } : null);
  const inPlans = useMemo(() => new Set(plans.flatMap(({ bought }) => bought.map((one) => one.offer))), [plans]);
  const words = line.toLowerCase().split(/\s+/).filter(Boolean);
  const found = planCase.offers.filter(({ label, id }) => {
    const text = `${label} ${job.supplies[id]?.seller ?? ''}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  // Those that are not there come first: they are what is asked about.
  const listed = [...found].sort((a, b) => Number(inPlans.has(a.id)) - Number(inPlans.has(b.id))).slice(0, LISTED);
  const picked = offerOf(planCase.offers, offer ?? undefined);
  const { factsOf, inDays } = useOfferFacts();
  const by = picked === undefined ? null : filteredBy(filters, factsOf, inDays)(picked);
  return (
    <Sheet open wide title={t('why.title')} description={t('why.what')} onClose={onClose}>
      <Field
        label={t('why.label')}
        value={line}
        onChange={(event) => {
          setLine(event.target.value);
          setOffer(null);
        }}
        autoFocus
      />
      <div aria-live="polite" className="mt-2 grid gap-1">
        {picked !== undefined && <h3 className="text-base">{picked.label}</h3>}
        {told === undefined && (
          <>
            <p className="text-ink-2 text-sm">{t('why.planning')}</p>
            <ProgressBar label={t('why.working')} share={null} />
          </>
        )}
        {told === 'failed' && <p className="text-stop">{t('why.failed')}</p>}
        {by !== null && <p>{t('why.filtered', { filter: t(FILTER_WORDS[by]) })}</p>}
        {Array.isArray(told) && told.map((sentence) => <p key={sentence}>{sentence}</p>)}
        {picked !== undefined && (
          <Button className="w-fit" onClick={() => onCompose(picked.id)}>
            {t('compose.addThis')}
          </Button>
        )}
      </div>
      {wish === null && offer === null && (
        <>
          <p className="text-sm text-ink-2 mt-1">
            {found.length === 0
              ? t('why.noOffer')
              : found.length > LISTED
                ? t('why.first', { found: found.length, LISTED })
                : t('why.found', { found: found.length })}
          </p>
          <ul className="max-h-72 overflow-auto border-t border-line text-sm">
            {listed.map(({ id, label, origin, priceCents }) => (
              <li key={id} className="border-b border-line">
                <button
                  type="button"
                  onClick={() => setOffer(id)}
                  className="w-full text-left py-1 grid grid-cols-[minmax(0,1fr)_auto_5rem] gap-3 cursor-pointer hover:bg-sunk"
                >
                  <span>{label}</span>
                  <span className="text-ink-2">
                    {tTrade(LANE_WORDS[origin])}
                    {inPlans.has(id) ? t('why.onLadder') : ''}
                  </span>
                  <span className="text-right">{moneyText(priceCents, planCase.currency)}</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </Sheet>
  );
}
