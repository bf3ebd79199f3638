'use client';
import { growthText } from '@/core/planning/later/grow-later-words';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import { usePlanSay } from '../use-plan-say';
import { useGrowth } from './use-growth';

/** What the next step up from a plan would cost, and what of it would stay; it comes a moment after the plan. */
export function LaterNote({ plan, planCase }: { plan: Plan; planCase: PlanCase }) {
  const say = usePlanSay(planCase.currency);
  const growth = useGrowth(planCase, plan);
  return (
    <p className="text-ink-2 min-h-5" aria-live="polite">
      {growth === null ? '' : growthText(say, growth)}
    </p>
  );
}
