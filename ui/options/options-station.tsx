'use client';
import Link from 'next/link';
import { useCallback, useEffect, useMemo } from 'react';
import type { PlanCase } from '@/core/planning/case';
import { careUnderCover } from '@/core/planning/cover';
import { planKey, rungsOf } from '@/core/planning/ladder';
import type { Answer } from '@/core/planning/plan';
import { goalOf, missedBy } from '@/core/planning/steering';
import { useSave } from '../client/use-save';
import { Ask } from '../job/ask';
import { useJob } from '../job/job-context';
import { buttonLook } from '../kit/button';
import { Notice } from '../kit/notice';
import { ProgressBar } from '../kit/progress-bar';
import { Ladder } from './ladder';
import { PlanStrip } from './plan-strip';
import { RefusedOffers } from './refused-offers';
import { SteerBar } from './steer-bar';
import { usePlans } from './use-plans';
import { type Steered, useSteering } from './use-steering';
import { NotBought, Yardstick } from './yardstick';

/** Plans of the slip by their key, with their place. */
function usePlaces(): ReadonlyMap<string, number> {
  const { job } = useJob();
  return useMemo(
    () => new Map(job.slip.flatMap((one) => (one.ok ? [[planKey(one.option.shop), one.place] as const] : []))),
    [job.slip],
  );
}

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

interface PlannedProps {
  answer: Answer;
  planCase: PlanCase;
  steered: Steered;
}

function Planned({ answer, planCase, steered }: PlannedProps) {
  const { job, looked, look } = useJob();
  const { steering, steer, plan: named, name } = steered;
  const places = usePlaces();
  const { busy, sentence, save } = useSave();
  const rungs = useMemo(
    () =>
      rungsOf(answer.plans, {
        toleranceBp: job.bestToleranceBp,
        isWanted: (plan) => missedBy(steering, plan) === null,
      }),
    [answer, steering, job.bestToleranceBp],
  );
  const byKey = useMemo(() => new Map(answer.plans.map((plan) => [planKey(plan), plan])), [answer]);
  const onLook = useCallback(
    (key: string) => {
      look(byKey.get(key) ?? null);
      name(key);
    },
    [look, name, byKey],
  );
  // The plan that the address names is looked at; one that is planned again is the same plan with its new figures.
  useEffect(() => look(named === null ? null : (byKey.get(named) ?? null)), [look, named, byKey]);
  useEffect(() => () => look(null), [look]);
  const put = async (place: number) => {
    if (looked === null) return;
    const { kept, bought } = looked;
    await save('POST', `/api/jobs/${job.id}/options`, { place, kept, bought });
  };
  return (
    <>
      <SteerBar steering={steering} onSteer={steer} answer={answer} planCase={planCase} />
      <NotBought />
      {rungs.length === 0 ? (
        <Notice tone="mind">
          <p className="font-semibold">No plan: nothing on offer gives this machine more than it has today.</p>
          <p className="text-ink-2">Look at why offers do not fit below, or at the limits.</p>
        </Notice>
      ) : (
        <Ladder
          rungs={rungs}
          answer={answer}
          planCase={planCase}
          supplies={job.supplies}
          steering={steering}
          onSteer={steer}
          looked={looked === null ? null : planKey(looked)}
          places={places}
          onLook={onLook}
          onPut={put}
        />
      )}
      {looked !== null && (
        <PlanStrip plan={looked} planCase={planCase} places={places} busy={busy} sentence={sentence} onPut={put} />
      )}
    </>
  );
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
            <Planned answer={answer} planCase={planning.planCase} steered={steered} />
            <div className="flex flex-wrap gap-x-6 items-baseline justify-between">
              <RefusedOffers answer={answer} planCase={planning.planCase} />
              {planning.share !== null && planning.share > 0 && (
                <span className="w-40">
                  <ProgressBar label="planned anew so far" share={planning.share} />
                </span>
              )}
              {steered.forgetful && (
                <span role="status" className="text-mind text-sm">
                  △ Not remembered yet: Fenbrik does not answer. Go on; it is told when it does.
                </span>
              )}
              <Link href={`/offers?job=${job.id}`} className="text-sm underline underline-offset-4 py-1">
                All offers that fit this machine
              </Link>
            </div>
          </>
        )}
      </div>
      {answer !== null && <Yardstick plans={answer.plans} />}
    </>
  );
}
