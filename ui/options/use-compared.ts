'use client';
import { useState } from 'react';
import { planKey } from '@/core/planning/filters/ladder';
import type { Plan } from '@/core/planning/search/plan';
import type { CompareButtonsProps } from './compare-buttons';

const MOST_COMPARED = 3;

/**
 * Plans that are laid side by side: those that are there, in the order in which they were taken. One put together by hand stays
 * as it was when it was taken, whatever is put together since.
 *
 * @param looked the plan at hand
 */
export function useCompared(byKey: ReadonlyMap<string, Plan>, looked: Plan | null, onSideBySide: () => void) {
  const [taken, setTaken] = useState<readonly { plan: Plan; byHand: boolean }[]>([]);
  const there = taken.flatMap(({ plan, byHand }) => {
    const now = byKey.get(planKey(plan)) ?? (byHand ? plan : null);
    return now === null ? [] : [now];
  });
  const flip = (plan: Plan | null) => {
    if (plan === null) return;
    const key = planKey(plan);
    const isThere = there.some((one) => planKey(one) === key);
    if (isThere) setTaken((before) => before.filter((one) => planKey(one.plan) !== key));
    else if (there.length < MOST_COMPARED) {
      const shown = new Set(there.map(planKey));
      setTaken((before) => [
        ...before.filter((one) => shown.has(planKey(one.plan))),
        { plan, byHand: !byKey.has(key) },
      ]);
    }
  };
  const keys = there.map(planKey);
  const compare: CompareButtonsProps = {
    isCompared: looked !== null && keys.includes(planKey(looked)),
    compared: keys.length,
    onCompare: () => flip(looked),
    onSideBySide,
  };
  return { side: there, compare, flip };
}
