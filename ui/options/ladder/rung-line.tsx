import { memo, useMemo } from 'react';
import { useTranslations } from '#translations';
import { explainPlan } from '@/core/planning/explain/explain-plan';
import { whyRate } from '@/core/planning/explain/explain-words';
import { boughtText, fateText, freeText, runText } from '@/core/planning/explain/plan-words';
import { planKey, type Rung } from '@/core/planning/filters/ladder';
import { type LadderBounds, type Missed, missedBy } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import type { OfferSupply } from '@/service/job/options/view';
import type { StaffWords } from '@/words/staff-words';
import { capacityText, moneyText } from '../../words/amounts';
import { deliveryText, fromText } from '../said/delivery';
import { eachText } from '../said/each-text';
import { guaranteeOfPlan } from '../said/made';

interface RungLineProps {
  rung: Rung;
  planCase: PlanCase;
  supplies: Readonly<Record<string, OfferSupply>>;
  steering: LadderBounds;
  onLook: (key: string) => void;
}

function missedText(t: StaffWords<'options'>, missed: Missed, currency: string): string {
  switch (missed.what) {
    case 'need':
      return t('rung.below', { mib: capacityText(missed.mib) });
    case 'budget':
      return t('rung.over', { cents: moneyText(missed.cents, currency) });
    case 'free':
      return t('rung.short', { slots: missed.slots });
    case 'late':
      return t('rung.late', { days: missed.days });
  }
}

/** The best plan of a rung, as a technician would say it. */
export const RungLine = memo(function RungLine({ rung, planCase, supplies, steering, onLook }: RungLineProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const tPlans = useTranslations('plans');
  const { best, isWanted } = rung;
  const { currency } = planCase;
  const why = useMemo(() => whyRate(tPlans, explainPlan(planCase, best)), [tPlans, planCase, best]);
  const missed = isWanted ? null : missedBy(steering, best);
  const money = (cents: number) => moneyText(cents, currency);
  const each = eachText(t, planCase, best.priceCents);
  const guarantee = guaranteeOfPlan(t, best, supplies);
  const details = [
    ...(each === '' ? [] : [each]),
    `${money(best.perGiBCents)}/GB${best.perAddedGiBCents === null ? '' : t('rung.added', { perAddedGiBCents: money(best.perAddedGiBCents) })}`,
    runText(tPlans, best, why),
    freeText(tPlans, best),
    fateText(tPlans, planCase, best),
    deliveryText(t, best, supplies),
    ...(guarantee === '' ? [] : [guarantee]),
    ...(best.bought.some(({ offer }) => supplies[offer]?.aged != null) ? [t('rung.old')] : []),
  ];
  return (
    <button
      type="button"
      tabIndex={-1}
      onClick={() => onLook(planKey(best))}
      className={`block text-left text-sm leading-5 narrow cursor-pointer hover:underline underline-offset-2 ${isWanted ? '' : 'text-ink-2'}`}
    >
      <span className="halo">
        <strong className="font-semibold text-base">{money(best.priceCents)}</strong>
        <span className="font-medium pl-3">{boughtText(tPlans, planCase, best)}</span>
        <span className="pl-3 text-ink-2">{fromText(t, planCase, best, supplies)}</span>
        {missed === null && best.care !== 'clear' && (
          <span className="pl-3 text-mind font-medium whitespace-nowrap">△ {tTrade(`cautions.${best.care}`)}</span>
        )}
      </span>
      <br />
      <span className="halo text-ink-2">{missed === null ? details.join(' · ') : missedText(t, missed, currency)}</span>
    </button>
  );
});
