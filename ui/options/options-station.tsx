'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useDeferredValue, useMemo, useRef } from 'react';
import { useTranslations } from '#translations';
import { careUnderCover } from '@/core/planning/filters/cover';
import { goalOf, type Steering } from '@/core/planning/filters/steering';
import type { Goal } from '@/core/planning/model/case';
import type { Answer, Plan } from '@/core/planning/search/plan';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Notice } from '../kit/notice';
import { ProgressBar } from '../kit/progress-bar';
import { OptionsDesk } from './options-desk';
import { useOfferFacts } from './steer/use-offer-facts';
import { useSteering } from './steer/use-steering';
import { usePlans } from './use-plans';

// Below the ladder, and only where the library knows what the maker sells: fetched when it is needed.
const Ask = dynamic(() => import('../job/ask').then((module) => module.Ask), { ssr: false });
const YardstickNote = dynamic(() => import('./yardstick').then((module) => module.YardstickNote), { ssr: false });

/** Plans with the care that the machine's cover asks for. */
function useCovered(answer: Answer | null): Answer | null {
  const { job } = useJob();
  const { cover } = job;
  // A plan that came again is the same plan: what it is drawn as stays.
  const known = useRef<{ cover: typeof cover; plans: WeakMap<Plan, Plan> } | null>(null);
  return useMemo(() => {
    if (answer === null) return null;
    if (known.current?.cover !== cover) known.current = { cover, plans: new WeakMap() };
    const { plans: covered } = known.current;
    const plans = answer.plans.map((plan) => {
      const care = careUnderCover(plan, cover);
      if (care === plan.care) return plan;
      const own = covered.get(plan) ?? { ...plan, care };
      covered.set(plan, own);
      return own;
    });
    return { ...answer, plans };
  }, [answer, cover]);
}

/** What the planner has to know of how the job is steered. */
function useGoal(steering: Steering): Goal {
  const { job } = useJob();
  const { planCase } = job;
  const { factsOf, inDays } = useOfferFacts();
  return useMemo(
    () => goalOf(steering, planCase?.offers ?? [], factsOf, inDays),
    [steering, planCase, factsOf, inDays],
  );
}

/** Options: the ladder, what steers it, and the plan that is looked at. */
export function OptionsStation() {
  const t = useTranslations('options');
  const { job, market } = useJob();
  const steered = useSteering();
  const goal = useGoal(steered.steering);
  const planning = usePlans(job.planCase, market.path, goal);
  const answer = useCovered(planning.answer);
  // The ladder comes first; what stands below it follows.
  const late = useDeferredValue(answer);
  if (!job.hasCase) {
    return <NoCase />;
  }
  const isFirst = answer === null;
  return (
    <>
      <div className="options-station">
        <h1 className="sr-only">{t('heading')}</h1>
        {market.failed && (
          <Notice tone="stop" live>
            {t.rich('market.failed', {
              value: isFirst ? '' : t('market.before'),
              e0: () => (
                <Button weight="quiet" onClick={market.again}>
                  {t('market.again')}
                </Button>
              ),
            })}
          </Notice>
        )}
        {isFirst && !planning.failed && !market.failed && (
          <div className="py-10 mx-auto max-w-sm text-center text-ink-2">
            <p role="status">
              {job.planCase === null ? t('market.reading') : t('planning', { offers: job.planCase.offers.length })}
            </p>
            {planning.share !== null && planning.share > 0 && (
              <ProgressBar label={t('plannedSoFar')} share={planning.share} />
            )}
          </div>
        )}
        {planning.failed && (
          <Notice tone="stop" live>
            {t('planFailed', { id: job.id })}
          </Notice>
        )}
        {answer !== null && planning.planCase !== null && planning.base !== null && (
          <>
            <OptionsDesk
              answer={answer}
              base={planning.base}
              planCase={planning.planCase}
              steered={steered}
              nearestOnly={planning.nearestOnly}
            />
            {planning.share !== null && (planning.share > 0 || planning.nearestOnly) && (
              <ProgressBar label={planning.nearestOnly ? t('nearestOnly') : t('plannedAgain')} share={planning.share} />
            )}
            <Remembered steered={steered} />
          </>
        )}
      </div>
      {late !== null && (job.factory.options.length > 0 || job.notBought) && <YardstickNote plans={late.plans} />}
    </>
  );
}

/** What is still to be known before anything can be planned. */
function NoCase() {
  const t = useTranslations('options');
  const { job } = useJob();
  return (
    <div className="grid gap-3">
      <h1 className="text-lg">{t('title')}</h1>
      <p>{t('noMachine')}</p>
      {job.gaps.length > 0 && <Ask />}
      {job.slots.length === 0 && (
        <Link href={`/jobs/${job.id}/intake`} className={buttonLook('act', 'w-fit')}>
          {t('toIntake')}
        </Link>
      )}
    </div>
  );
}

/** What the job does not remember yet of how it is steered, and what somebody else steered. */
function Remembered({ steered }: { steered: ReturnType<typeof useSteering> }) {
  const t = useTranslations('options');
  return (
    <>
      {steered.clash !== null && (
        <Notice tone="mind" live>
          <p>{t('changed')}</p>
          <div className="flex flex-wrap gap-2 mt-1">
            <Button onClick={() => steered.settle('mine')}>{t('mine')}</Button>
            <Button onClick={() => steered.settle('theirs')}>{t('theirs')}</Button>
          </div>
        </Notice>
      )}
      {steered.forgetful && (
        <p role="status" className="text-mind text-sm">
          {t('notSaved')}
        </p>
      )}
    </>
  );
}
