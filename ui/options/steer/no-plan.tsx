'use client';
import { useTranslations } from '#translations';
import type { PlanCase } from '@/core/planning/model/case';
import { Notice } from '../../kit/notice';
import { useWhyNot } from '../sheets/use-why-not';

/** Where no plan is left: that it is so, and the plans that come nearest to what is wished for, or why there are none at all. */
export function NoPlan({ planCase }: { planCase: PlanCase }) {
  const t = useTranslations('options');
  const told = useWhyNot(planCase, { wish: planCase.goal ?? {} });
  const [first = t('noPlan'), ...rest] = Array.isArray(told) ? (told as string[]) : [];
  return (
    <Notice tone="mind">
      <p className="font-semibold">{first}</p>
      {rest.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
    </Notice>
  );
}
