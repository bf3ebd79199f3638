import { memo, useMemo } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { explainPlan } from '@/core/planning/explain/explain-plan';
import { whyRate } from '@/core/planning/explain/explain-words';
import { boughtText, fateText, freeText, runText } from '@/core/planning/explain/plan-words';
import { planKey, type Rung } from '@/core/planning/filters/ladder';
import { type Missed, missedBy, type Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import { moneyText } from '@/core/pricing/money-text';
import type { OfferSupply } from '@/service/job/options/view';
import { deliveryText } from '../delivery';

interface RungLineProps {
  rung: Rung;
  planCase: PlanCase;
  supplies: Readonly<Record<string, OfferSupply>>;
  steering: Steering;
  onLook: (key: string) => void;
}

const MISSED_WORDS: {
  [What in Missed['what']]: (missed: Extract<Missed, { what: What }>, currency: string) => string;
} = {
  need: ({ mib }) => `${capacityText(mib)} below the need`,
  budget: ({ cents }, currency) => `${moneyText(cents, currency)} over the budget`,
  free: ({ slots }) => `${slots} slot${slots === 1 ? '' : 's'} short of what is to stay free`,
};

function missedText(missed: Missed, currency: string): string {
  const words = MISSED_WORDS[missed.what] as (one: Missed, of: string) => string;
  return words(missed, currency);
}

/** The best plan of a rung, as a technician would say it. */
export const RungLine = memo(function RungLine({ rung, planCase, supplies, steering, onLook }: RungLineProps) {
  const { best, isWanted } = rung;
  const { currency } = planCase;
  const why = useMemo(() => whyRate(explainPlan(planCase, best)), [planCase, best]);
  const missed = isWanted ? null : missedBy(steering, best);
  const money = (cents: number) => moneyText(cents, currency);
  const details = [
    `${money(best.perGiBCents)}/GB${best.perAddedGiBCents === null ? '' : `, added ${money(best.perAddedGiBCents)}/GB`}`,
    runText(best).replace(',', why === '' ? ',' : ` (${why}),`),
    freeText(best),
    fateText(planCase, best),
    deliveryText(best, supplies),
    ...(best.care === 'clear' ? [] : [best.care]),
    ...(best.bought.some(({ offer }) => supplies[offer]?.aged != null) ? ['△ old price'] : []),
  ];
  return (
    <button
      type="button"
      tabIndex={-1}
      onClick={() => onLook(planKey(best))}
      className={`block text-left text-sm leading-5 narrow cursor-pointer hover:underline underline-offset-2 ${isWanted ? '' : 'text-ink-2'}`}
    >
      <span className="halo">
        <strong className="font-semibold">{money(best.priceCents)}</strong> {boughtText(planCase, best)}{' '}
        <span className="text-ink-2">· {missed === null ? details.join(' · ') : missedText(missed, currency)}</span>
      </span>
    </button>
  );
});
