'use client';
import { useEffect, useMemo, useState } from 'react';
import { useTranslations } from '#translations';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import { LANES, type Lane } from '@/core/planning/model/lanes';
import { boardRates } from '@/core/planning/rules/board-rates';
import type { Answer } from '@/core/planning/search/plan';
import { shortMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { useJob } from '../../job/job-context';
import { Choice } from '../../kit/choice';
import { capacityText, dayText } from '../../words/amounts';
import { PlanShape } from '../ladder/plan-shape';
import { LANE_WORDS } from '../said/lane-words';
import { OfferFiltersButton } from './offer-filters-button';
import { Typed } from './typed';

interface SteerBarProps {
  steering: Steering;
  onSteer: (patch: Partial<Steering>, live?: boolean) => void;
  answer: Answer;
  planCase: PlanCase;
}

const capacityOf = (text: string): number | null | undefined =>
  text.trim() === '' ? null : (parseCapacity(text) ?? undefined);

const moneyOf =
  (currency: string) =>
  (text: string): number | null | undefined => {
    if (text.trim() === '') return null;
    const cents = parseMoneyIn(text, currency);
    return cents === null || cents <= 0 ? undefined : cents;
  };

/** What the shapes mean, each lane a switch that leaves it out. */
function Lanes({ steering, onSteer, answer }: SteerBarProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  const { lanesOut } = steering;
  // Under a cover the originals stay in sight.
  const isCovered = job.cover === 'warranty' || job.cover === 'support';
  const there = new Set(answer.plans.map(({ lane }) => lane));
  const shown = LANES.filter((lane) => there.has(lane) || lanesOut.includes(lane));
  const [seen, setSeen] = useState<readonly Lane[]>(shown);
  useEffect(() => {
    setSeen((before) => (shown.every((lane) => before.includes(lane)) ? before : [...new Set([...before, ...shown])]));
  }, [shown]);
  const flip = (lane: Lane) => {
    const next = lanesOut.includes(lane) ? lanesOut.filter((one) => one !== lane) : [...lanesOut, lane];
    if (next.length < LANES.length) onSteer({ lanesOut: next });
  };
  return (
    <ul className="flex flex-wrap gap-1" aria-label={t('steer.lanes')}>
      {seen.map((lane) => {
        const on = !lanesOut.includes(lane);
        return (
          <li key={lane}>
            <button
              type="button"
              aria-pressed={on}
              disabled={on && isCovered && lane === 'original'}
              onClick={() => flip(lane)}
              className={`flex items-center min-h-8 pr-2 pl-0.5 text-sm rounded-notch border cursor-pointer ${on ? 'bg-sheet border-edge' : 'border-line text-ink-2 line-through'}`}
            >
              <PlanShape lane={lane} care="clear" reuse="replace" />
              {tTrade(LANE_WORDS[lane])}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** What steers the ladder beside the lines on it. */
export function SteerBar(props: SteerBarProps) {
  const t = useTranslations('options');
  const { job } = useJob();
  const { steering, onSteer, planCase } = props;
  const sockets = planCase.machine.slots.filter(({ soldered }) => soldered == null).length;
  const rates = useMemo(() => boardRates(planCase), [planCase]);
  const free = Array.from({ length: Math.max(1, sockets) }, (_, count) => ({
    value: String(count),
    text: count === 0 ? t('steer.any') : t('steer.free', { count }),
  }));
  return (
    <fieldset aria-label={t('steer.label')} className="flex flex-wrap items-end gap-x-3 gap-y-1.5">
      <Typed
        label={t('steer.need')}
        className="w-24"
        value={steering.needMiB}
        text={(mib) => (mib === null ? '' : capacityText(mib))}
        parse={capacityOf}
        wrong={t('steer.faults.size')}
        onChange={(needMiB, live) => onSteer({ needMiB }, live)}
      />
      <Typed
        label={t('steer.budget')}
        className="w-20"
        value={steering.budgetCents}
        text={(cents) => (cents === null ? '' : shortMoney(cents, planCase.currency))}
        parse={moneyOf(planCase.currency)}
        wrong={t('steer.faults.amount')}
        onChange={(budgetCents, live) => onSteer({ budgetCents }, live)}
      />
      <Choice
        label={t('steer.slots')}
        className="w-fit"
        value={String(Math.max(0, Math.min(steering.freeSlots, sockets - 1)))}
        options={free}
        onChange={(event) => onSteer({ freeSlots: Number(event.target.value) })}
      />
      <Choice
        label={t('steer.rate')}
        className="w-fit"
        value={String(steering.leastRateMTs ?? '')}
        options={[
          { value: '', text: t('steer.anyRate') },
          ...rates.map((rate) => ({ value: String(rate), text: `${rate} MT/s` })),
        ]}
        onChange={(event) => onSteer({ leastRateMTs: event.target.value === '' ? null : Number(event.target.value) })}
      />
      <OfferFiltersButton steering={steering} onSteer={onSteer} planCase={planCase} />
      <Lanes {...props} />
      {job.neededBy !== null && (
        <span className="text-sm text-ink-2 min-h-8 inline-flex items-center">
          {t('steer.neededBy', { day: dayText(job.neededBy) })}
        </span>
      )}
    </fieldset>
  );
}
