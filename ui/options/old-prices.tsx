'use client';
import { useTranslations } from '#translations';
import type { PlanCase } from '@/core/planning/model/case';
import { useJob } from '../job/job-context';
import { Notice } from '../kit/notice';

/** Where no price at all can be relied on, that it is so: one that is old is told on its plan. */
export function OldPrices({ planCase }: { planCase: PlanCase }) {
  const t = useTranslations('options');
  const { job } = useJob();
  const isOld = planCase.offers.every(({ id }) => (job.supplies[id]?.aged ?? null) !== null);
  if (!isOld) return null;
  return <Notice tone="mind">{t('oldPrices')}</Notice>;
}
