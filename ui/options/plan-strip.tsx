'use client';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { useTranslations } from '#translations';
import { boughtText, fateText, freeText, runText } from '@/core/planning/explain/plan-words';
import { coverNotice } from '@/core/planning/filters/cover';
import { planKey } from '@/core/planning/filters/ladder';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { capacityText, moneyText } from '../words/amounts';
import { AddAs } from './add-as';
import { CompareButtons, type CompareButtonsProps } from './compare-buttons';
import { LateNote } from './notes/late-note';
import { deliveryText } from './said/delivery';
import { eachText } from './said/each-text';
import { LANE_WORDS } from './said/lane-words';
import { guaranteeOfPlan, madeOfPlan, testedOfPlan } from './said/made';
import { savingSaid } from './said/saving-said';
import { Reasons } from './sheets/reasons';
import { sentenceOf } from './sheets/sentence-of';
import { usePlanSay } from './use-plan-say';

interface PlanStripProps {
  plan: Plan;
  planCase: PlanCase;
  /** all plans of the ladder */
  plans: readonly Plan[];
  places: ReadonlyMap<string, number>;
  compare: CompareButtonsProps;
  /** why it is the best of its rung; empty: it is not */
  best: string;
  /** why it is suggested; empty: it is not */
  suggested: string;
  /** what the next step up from it would be */
  later: ReactNode;
  slip: { busy: boolean; sentence: string | null; put: (place: number) => void };
  onOpen: () => void;
  onCompose: () => void;
}

/** So many reasons are told beside the ladder; the plan itself tells all. */
const MOST_REASONS = 3;

/** The plan that is looked at: what it is, what to mind, and the ways on from it. */
export function PlanStrip(props: PlanStripProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const { plan, planCase, plans, places, compare, best, suggested, later } = props;
  const { slip, onOpen, onCompose } = props;
  const say = usePlanSay(planCase.currency);
  const { job } = useJob();
  const key = planKey(plan);
  const on = places.get(key);
  const made = [madeOfPlan(planCase, plan), guaranteeOfPlan(t, plan, job.supplies), testedOfPlan(t, plan, job.supplies)]
    .filter(Boolean)
    .join(' · ');
  return (
    <section
      aria-label={t('plan.selected')}
      className="plan-strip bg-sheet border-2 border-act px-4 pt-1 pb-2 shrink-0 max-h-[36dvh] overflow-auto"
    >
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <h2 className="text-base">
          {t.rich('plan.head', {
            totalMiB: capacityText(plan.totalMiB),
            priceCents: moneyText(plan.priceCents, planCase.currency),
            e0: () => (
              <span className="font-normal text-ink-2 text-sm">
                {[
                  eachText(t, planCase, plan.priceCents),
                  tTrade(LANE_WORDS[plan.lane]),
                  tTrade(`cautions.${plan.care}`),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            ),
          })}
        </h2>
        <AddAs {...(on === undefined ? {} : { on })} places={places} busy={slip.busy} onPut={slip.put} />
        <div className="flex flex-wrap gap-x-3">
          <Button weight="quiet" onClick={onOpen}>
            {t('plan.open')}
          </Button>
          <Button weight="quiet" onClick={onCompose}>
            {t('compose.begin')}
          </Button>
          <CompareButtons {...compare} />
          {plan.care === 'off-book' && job.sent.every(({ standing }) => standing !== 'accepted') && (
            <Link href={`/jobs/${job.id}/fitting#test`} className={buttonLook('quiet')}>
              {t('plan.testFirst')}
            </Link>
          )}
        </div>
      </div>
      {slip.sentence !== null && (
        <p role="alert" className="text-stop text-sm font-medium">
          {slip.sentence}
        </p>
      )}
      <div className="grid md:grid-cols-2 gap-x-5 gap-y-1 text-sm mt-1">
        <div>
          <p className="font-medium">{boughtText(say.t, planCase, plan)}</p>
          {made !== '' && <p className="text-ink-2">{made}</p>}
          <p className="text-ink-2">
            {runText(say.t, plan)} · {freeText(say.t, plan)} · {fateText(say.t, planCase, plan)} ·{' '}
            {deliveryText(t, plan, job.supplies)}
            {plan.latencyNs !== null && t('plan.latency', { value: Number(plan.latencyNs.toFixed(1)) })}
          </p>
          <LateNote plan={plan} />
          {suggested !== '' && <p>{suggested}</p>}
          <p className="text-ink-2">
            {sentenceOf(savingSaid(t, say, plan, { plans, supplies: job.supplies }))}
            {best !== '' && t('plan.best', { best })}
          </p>
          {later}
        </div>
        <Reasons plan={plan} planCase={planCase} cover={coverNotice(plan.lane, job.cover)} most={MOST_REASONS} />
      </div>
    </section>
  );
}
