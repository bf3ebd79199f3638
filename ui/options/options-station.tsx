'use client';
import Link from 'next/link';
import { useEffect, useMemo } from 'react';
import type { PlanCase } from '@/core/planning/case';
import { planKey, rungsOf } from '@/core/planning/ladder';
import type { Answer } from '@/core/planning/plan';
import { useSave } from '../client/use-save';
import { BudgetField, NeedField } from '../intake/intake-fields';
import { Ask } from '../job/ask';
import { useJob } from '../job/job-context';
import { buttonLook } from '../kit/button';
import { Notice } from '../kit/notice';
import { ProgressBar } from '../kit/progress-bar';
import { Ladder } from './ladder';
import { Legend } from './legend';
import { PlanStrip } from './plan-strip';
import { RefusedOffers } from './refused-offers';
import { usePlans } from './use-plans';
import { NotBought, Yardstick } from './yardstick';

/** Plans of the slip by their key, with their place. */
function usePlaces(): ReadonlyMap<string, number> {
  const { job } = useJob();
  return useMemo(
    () => new Map(job.slip.flatMap((one) => (one.ok ? [[planKey(one.option.shop), one.place] as const] : []))),
    [job.slip],
  );
}

function Planned({ answer, planCase }: { answer: Answer; planCase: PlanCase }) {
  const { job, looked, look } = useJob();
  const places = usePlaces();
  const { busy, sentence, save } = useSave();
  const rungs = useMemo(() => rungsOf(answer.plans), [answer]);
  useEffect(() => () => look(null), [look]);
  const put = async (place: number) => {
    if (looked === null) return;
    const { kept, bought } = looked;
    await save('POST', `/api/jobs/${job.id}/options`, { place, kept, bought });
  };
  if (rungs.length === 0) {
    return (
      <Notice tone="mind">
        <p className="font-semibold">No plan: nothing on offer gives this machine more than it has today.</p>
        <p className="text-ink-2">Look at why offers do not fit below, or at the limits.</p>
      </Notice>
    );
  }
  return (
    <>
      <Ladder
        rungs={rungs}
        answer={answer}
        planCase={planCase}
        needMiB={job.needMiB}
        budgetCents={job.budgetCents}
        looked={looked}
        places={places}
        onLook={look}
        onPut={put}
      />
      {looked !== null && (
        <PlanStrip plan={looked} planCase={planCase} places={places} busy={busy} sentence={sentence} onPut={put} />
      )}
    </>
  );
}

/** Options: the ladder, the two lines that steer it, and the plan that is looked at. */
export function OptionsStation() {
  const { job } = useJob();
  const planning = usePlans(job.planCase);
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
  return (
    <>
      <div className="options-station">
        <h1 className="sr-only">Options: every upgrade that is worth its money</h1>
        <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
          <div className="flex-1 min-w-64">
            {planning.state === 'done' && (
              <Legend
                lanes={new Set(planning.answer.plans.map((plan) => plan.lane))}
                cares={new Set(planning.answer.plans.map((plan) => plan.care))}
              />
            )}
          </div>
          <div className="w-28">
            <NeedField chips={false} />
          </div>
          <div className="w-36">
            <BudgetField hint={false} />
          </div>
        </div>
        <NotBought />
        {planning.state === 'planning' && (
          <div className="py-10 mx-auto max-w-sm text-center text-ink-2">
            <p role="status">Trying every set of {job.planCase.offers.length} offers…</p>
            {planning.share > 0 && <ProgressBar label="planned so far" share={planning.share} />}
          </div>
        )}
        {planning.state === 'failed' && (
          <Notice tone="stop" live>
            The plans could not be worked out. Load the page again; if it stays so, tell us the job’s number, {job.id}.
          </Notice>
        )}
        {planning.state === 'done' && <Planned answer={planning.answer} planCase={job.planCase} />}
        {planning.state === 'done' && (
          <div className="flex flex-wrap gap-x-6 items-baseline justify-between">
            <RefusedOffers answer={planning.answer} planCase={job.planCase} />
            <Link href={`/offers?job=${job.id}`} className="text-sm underline underline-offset-4 py-1">
              All offers that fit this machine
            </Link>
          </div>
        )}
      </div>
      {planning.state === 'done' && <Yardstick plans={planning.answer.plans} />}
    </>
  );
}
