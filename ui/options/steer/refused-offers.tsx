'use client';
import { memo, useState } from 'react';
import { useTranslations } from '#translations';
import type { PlanCase } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';

interface RefusedOffersProps {
  answer: Answer;
  planCase: PlanCase;
}

/** The offers that are not on the ladder because they do not fit, each with why; listed once somebody asks. */
export const RefusedOffers = memo(function RefusedOffers({ answer, planCase }: RefusedOffersProps) {
  const t = useTranslations('options');
  const tPlans = useTranslations('plans');
  const [isOpen, setOpen] = useState(false);
  const { refusedOffers } = answer;
  if (refusedOffers.length === 0) return null;
  const labels = isOpen ? new Map(planCase.offers.map(({ id, label }) => [id, label])) : null;
  return (
    <details className="text-sm" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer text-ink-2 py-1 w-fit underline decoration-line underline-offset-4 hover:decoration-ink">
        {t('refused.why', {
          refusedOffers:
            refusedOffers.length === 1 ? t('refused.one') : t('refused.many', { refusedOffers: refusedOffers.length }),
        })}
      </summary>
      {labels !== null && (
        <ul className="columns-1 lg:columns-2 gap-6 mt-1">
          {refusedOffers.map(({ offer: id, codes }) => (
            <li key={id} className="break-inside-avoid py-0.5">
              {labels.get(id)}:{' '}
              <span className="text-ink-2">{codes.map((code) => tPlans(`refusals.${code}`)).join(', ')}</span>
            </li>
          ))}
        </ul>
      )}
    </details>
  );
});
