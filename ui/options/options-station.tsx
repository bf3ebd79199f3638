'use client';
import Link from 'next/link';
import { useMemo } from 'react';
import { careUnderCover } from '@/core/planning/cover';
import type { Answer } from '@/core/planning/plan';
import { goalOf } from '@/core/planning/steering';
import { Ask } from '../job/ask';
import { useJob } from '../job/job-context';
import { buttonLook } from '../kit/button';
import { Notice } from '../kit/notice';
import { ProgressBar } from '../kit/progress-bar';
import { OptionsDesk } from './options-desk';
import { usePlans } from './use-plans';
import { useSteering } from './use-steering';
import { Yardstick } from './yardstick';

/** Plans with the care that the machine's cover asks for. */
function useCovered(answer: Answer | null): Answer | null {
  const { job } = useJob();
  return useMemo(() => {
    if (answer === null) return null;
    const plans = answer.plans.map((plan) => {
      const care = careUnderCover(plan, job.cover);
      return care === plan.care ? plan : { ...plan, care };
    });
    return { ...answer, plans };
  }, [answer, job.cover]);
}

/** Options: the ladder, what steers it, and the plan that is looked at. */
export function OptionsStation() {
  const { job } = useJob();
  const steered = useSteering();
  const goal = useMemo(
    () => goalOf(steered.steering, job.planCase?.offers ?? [], (offer) => job.supplies[offer]?.seller),
    [steered.steering, job.planCase, job.supplies],
  );
  const planning = usePlans(job.planCase, goal);
  const answer = useCovered(planning.answer);
  if (job.planCase === null) {
    return (
      <div className="grid gap-3">
        <h1 className="text-lg">Options</h1>
        <p>The ladder is drawn once the machine is known.</p>
        <Ask />
        {job.slots.length === 0 && (
          <Link href={`/jobs/${job.id}/intake`} className={buttonLook('act', 'w-fit')}>
            To Intake
          </Link>
        )}
      </div>
    );
  }
  const isFirst = answer === null;
  return (
    <>
      <div className="options-station">
        <h1 className="sr-only">Options: every upgrade that is worth its money</h1>
        {isFirst && !planning.failed && (
          <div className="py-10 mx-auto max-w-sm text-center text-ink-2">
            <p role="status">Trying every set of {job.planCase.offers.length} offers…</p>
            {planning.share !== null && planning.share > 0 && (
              <ProgressBar label="planned so far" share={planning.share} />
            )}
          </div>
        )}
        {planning.failed && (
          <Notice tone="stop" live>
            The plans could not be worked out. Load the page again; if it stays so, tell us the job’s number, {job.id}.
          </Notice>
        )}
        {answer !== null && planning.planCase !== null && (
          <>
            <OptionsDesk answer={answer} planCase={planning.planCase} steered={steered} />
            {planning.share !== null && planning.share > 0 && (
              <ProgressBar label="planned anew so far" share={planning.share} />
            )}
            {steered.forgetful && (
              <p role="status" className="text-mind text-sm">
                △ Not remembered yet: Fenbrik does not answer. Go on; it is told when it does.
              </p>
            )}
          </>
        )}
      </div>
      {answer !== null && <Yardstick plans={answer.plans} />}
    </>
  );
}
