'use client';
import type { PlanCase } from '@/core/planning/case';
import { Notice } from '../kit/notice';
import { useWhyNot } from './use-why-not';

/** Where no plan is left: that it is so, and the plans that come nearest to what is wished for. */
export function NoPlan({ planCase }: { planCase: PlanCase }) {
  const { goal } = planCase;
  const isWished = Object.values(goal ?? {}).some((wish) => wish != null);
  const told = useWhyNot(planCase, isWished ? { wish: goal ?? {} } : null);
  return (
    <Notice tone="mind">
      <p className="font-semibold">
        {isWished
          ? 'No plan is as wished for.'
          : 'No plan: nothing on offer gives this machine more than it has today.'}
      </p>
      {Array.isArray(told) && told.slice(1).map((sentence) => <p key={sentence}>{sentence}</p>)}
      {!isWished && <p className="text-ink-2">Look at why offers do not fit below, or at the limits.</p>}
    </Notice>
  );
}
