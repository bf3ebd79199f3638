'use client';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { planKey } from '@/core/planning/filters/ladder';
import { missedBy, type Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';
import { useJob } from '../../job/job-context';
import { capacityText, moneyText } from '../../words/amounts';

interface NewPartPlans {
  answer: Answer;
  planCase: PlanCase;
  /** the answer is of the nearest plans alone */
  nearestOnly: boolean;
  steering: Steering;
  onLook: (key: string) => void;
  /** no plan buys it: asked why */
  onMissing: (offer: string) => void;
}

/** Waits for a new offer's plans: the cheapest that meets what is wished for is looked at, or it is asked why there is none. */
export function useNewPart({ answer, planCase, nearestOnly, steering, onLook, onMissing }: NewPartPlans) {
  const t = useTranslations('options');
  const { job, market } = useJob();
  const [awaited, setAwaited] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const from = useRef(job);

  useEffect(() => {
    if (awaited === null) return;
    if (!planCase.offers.some(({ id }) => id === awaited)) {
      const isThere = job.planCase?.offers.some(({ id }) => id === awaited) ?? false;
      if (job === from.current || !market.isCurrent || isThere) return;
      setAwaited(null);
      setSaid(t('part.noFit'));
      return;
    }
    const buying = answer.plans
      .filter(({ bought }) => bought.some(({ offer }) => offer === awaited))
      .sort((a, b) => a.priceCents - b.priceCents);
    const found = buying.find((plan) => missedBy(steering, plan) === null) ?? buying[0];
    // It may be among those that are still worked out.
    if (found === undefined && nearestOnly) return;
    setAwaited(null);
    if (found === undefined) {
      onMissing(awaited);
      return;
    }
    onLook(planKey(found));
    setSaid(
      t('part.onLadder', {
        totalMiB: capacityText(found.totalMiB),
        priceCents: moneyText(found.priceCents, planCase.currency),
      }),
    );
  }, [awaited, answer, planCase, nearestOnly, steering, job, market, onLook, onMissing, t]);

  const expect = (offer: string) => {
    from.current = job;
    setSaid(t('part.planning'));
    setAwaited(offer);
  };
  return { said, expect };
}
