'use client';
import dynamic from 'next/dynamic';
import { type ComponentProps, useCallback, useDeferredValue, useEffect, useMemo, useReducer, useState } from 'react';
import { daysFrom } from '@/core/day-count';
import type { PlanSay } from '@/core/planning/explain/plan-say';
import { whyBest } from '@/core/planning/filters/best-of-rung';
import { planKey, type Rung, rungsOf } from '@/core/planning/filters/ladder';
import { type LadderBounds, missedBy, type Steering, UNSTEERED } from '@/core/planning/filters/steering';
import { type Suggestion, suggestThree } from '@/core/planning/filters/suggest-three';
import { becauseText, whyBestText } from '@/core/planning/filters/suggestion-words';
import type { PlanCase } from '@/core/planning/model/case';
import type { PlanChoice } from '@/core/planning/search/evaluate-choice';
import type { Answer, Plan } from '@/core/planning/search/plan';
import { useKeys } from '../client/use-keys';
import { useJob } from '../job/job-context';
import { AddAs } from './add-as';
import { CompareButtons, type CompareButtonsProps } from './compare-buttons';
import { setToday, withPacks } from './compose/set-packs';
import { useHandMade } from './compose/use-hand-made';
import { useOfferOnSlot } from './compose/use-offer-on-slot';
import { DeskTools } from './desk-tools';
import { Ladder } from './ladder/ladder';
import { LaidOver, type Over } from './ladder/laid-over';
import { OldPrices } from './old-prices';
import { daysLate } from './said/delivery';
import { useNewPart } from './sheets/use-new-part';
import { SteerBar } from './steer/steer-bar';
import { Suggested } from './steer/suggested';
import type { Steered } from './steer/use-steering';
import { useTarget } from './steer/use-target';
import { useCompared } from './use-compared';
import { usePlanSay } from './use-plan-say';
import { usePutOnSlip } from './use-put-on-slip';

interface OptionsDeskProps {
  answer: Answer;
  /** the case without a goal, the same while only the goal changes */
  base: PlanCase;
  planCase: PlanCase;
  steered: Steered;
  /** the plans are the nearest alone: nothing is suggested of them, and nothing is said to be missing */
  nearestOnly: boolean;
}

// Fetched when it is first asked for: the ladder is there the sooner.
const NotBought = dynamic(() => import('./yardstick').then((module) => module.NotBought), { ssr: false });
// Most ladders have a plan that is wanted.
const NoPlan = dynamic(() => import('./steer/no-plan').then((module) => module.NoPlan), { ssr: false });
// Nothing is looked at until somebody does, unless the address names it.
const PlanStrip = dynamic(() => import('./plan-strip').then((module) => module.PlanStrip), { ssr: false });
// It comes a moment after the plan.
const LaterNote = dynamic(() => import('./notes/later-note').then((module) => module.LaterNote), { ssr: false });
// Mostly it is known what a machine is for.
const UseQuestion = dynamic(() => import('./steer/use-question').then((module) => module.UseQuestion), { ssr: false });
// Most plans are taken as they are.
const ComposePanel = dynamic(() => import('./compose/compose-panel').then((module) => module.ComposePanel), {
  ssr: false,
});
const PlanTable = dynamic(() => import('./plan-table').then((module) => module.PlanTable), { ssr: false });

/** Plans of the slip by their key, with their place. */
function usePlaces(): ReadonlyMap<string, number> {
  const { job } = useJob();
  return useMemo(
    () => new Map(job.slip.flatMap((one) => (one.ok ? [[planKey(one.option.shop), one.place] as const] : []))),
    [job.slip],
  );
}

/**
 * What only shuts plans out: the picture follows it at once, and stays as it is while anything else is planned for. The day
 * on which the customer needs it is the job's.
 */
function useLimits({ needMiB, budgetCents, freeSlots }: Steering): LadderBounds {
  const { job } = useJob();
  const { supplies, neededBy, today } = job;
  return useMemo(() => {
    const bounds = { ...UNSTEERED, needMiB, budgetCents, freeSlots };
    if (neededBy === null) return bounds;
    const inDays = daysFrom(today, neededBy);
    return { ...bounds, lateBy: (plan: Pick<Plan, 'bought'>) => daysLate(plan, supplies, inDays) };
  }, [needMiB, budgetCents, freeSlots, supplies, neededBy, today]);
}

/** The plans as rungs, and what follows from them for how the job is steered. */
function useRungs({ answer, nearestOnly }: OptionsDeskProps, steering: LadderBounds) {
  const { job } = useJob();
  const { bestToleranceBp: toleranceBp, cover } = job;
  const rungs = useMemo(
    () => rungsOf(answer.plans, { toleranceBp, isWanted: (plan) => missedBy(steering, plan) === null }),
    [answer, steering, toleranceBp],
  );
  // What is suggested follows the ladder.
  const late = useDeferredValue(rungs);
  const { totalMiB: todayMiB } = answer.baseline;
  const asked = useTarget(todayMiB);
  const suggestions = useMemo(
    () => (nearestOnly ? [] : suggestThree({ rungs: late, steering, todayMiB, cover, toleranceBp, asked })),
    [nearestOnly, late, steering, todayMiB, cover, toleranceBp, asked],
  );
  const byKey = useMemo(() => new Map(answer.plans.map((plan) => [planKey(plan), plan])), [answer]);
  return { rungs, suggestions, byKey, asksUse: steering.needMiB === null && asked === null };
}

/** The case with all that is wished for, need, budget and free slots as well. */
function wishedBy({ needMiB, budgetCents, freeSlots }: Steering, planCase: PlanCase): PlanCase {
  const wishes = { minMiB: needMiB, maxPriceCents: budgetCents, minOpenSlots: freeSlots === 0 ? null : freeSlots };
  return { ...planCase, goal: { ...planCase.goal, ...wishes } };
}

/** The plan that is looked at, and how another is: the address names it. */
function useLooked({ plan: named, name }: Steered, byKey: ReadonlyMap<string, Plan>, handMade: Plan | null) {
  const { looked, look } = useJob();
  const onLook = useCallback(
    (key: string) => {
      look(byKey.get(key) ?? null);
      name(key);
    },
    [look, name, byKey],
  );
  // The plan that the address names is looked at; one that is planned again is the same plan with its new figures.
  useEffect(() => look(named === null ? handMade : (byKey.get(named) ?? handMade)), [look, named, byKey, handMade]);
  useEffect(() => () => look(null), [look]);
  return { looked, key: looked === null ? null : planKey(looked), onLook };
}

/** Which option of the draft the plan that is looked at is. */
function onQuote(places: ReadonlyMap<string, number>, key: string | null): { on?: number } {
  const on = key === null ? undefined : places.get(key);
  return on === undefined ? {} : { on };
}

/** Why the plan that is looked at is suggested; empty: it is not. */
function whySuggested(say: PlanSay, looked: string | null, suggestions: readonly Suggestion[]): string {
  const found = suggestions.find(({ plan }) => planKey(plan) === looked);
  return found === undefined ? '' : becauseText(say, found.because);
}

/** Why the plan that is looked at is written out as the best of its rung; empty: it is not. */
function whyLooked(say: PlanSay, looked: string | null, rungs: readonly Rung[], rule: BestRule): string {
  const rung = looked === null ? undefined : rungs.find((one) => planKey(one.best) === looked);
  if (rung === undefined) return '';
  const wanted = rung.plans.filter((plan) => missedBy(rule.steering, plan) === null);
  const why = whyBest(wanted.length > 0 ? wanted : rung.plans, rule.toleranceBp);
  return why === null ? '' : whyBestText(say, why, rule.toleranceBp);
}

/** Keys that lead on from the plans. */
function useWaysOn(
  open: (what: 'new-part' | 'keys') => void,
  askWhy: () => void,
  compose: () => void,
): Record<string, () => void> {
  const { job } = useJob();
  return {
    n: () => open('new-part'),
    w: () => askWhy(),
    h: compose,
    x: () => window.location.assign(`/jobs/${job.id}/customer`),
    '?': () => open('keys'),
  };
}

interface BestRule {
  steering: LadderBounds;
  toleranceBp: number;
}

/** The ladder or the table of plans, what steers it, the plan that is looked at, and what can be laid over them. */
export function OptionsDesk(props: OptionsDeskProps) {
  const { answer, base, planCase, steered } = props;
  const say = usePlanSay(base.currency);
  const lateAnswer = useDeferredValue(answer);
  const { job } = useJob();
  const { steering, steer } = steered;
  const places = usePlaces();
  const limits = useLimits(steering);
  const { rungs, suggestions, byKey, asksUse } = useRungs(props, limits);
  const wishedCase = useMemo(() => wishedBy(steering, planCase), [steering, planCase]);
  const hand = useHandMade({ named: steered.plan, byHand: steered.byHand }, wishedCase, answer);
  const { looked, key: lookedKey, onLook } = useLooked(steered, byKey, hand.plan);
  const compose = () => steered.compose(lookedKey ?? planKey(setToday(base)));
  useOfferOnSlot(base, hand, looked, steered);
  const slip = usePutOnSlip(looked, suggestions);
  const [over, setOver] = useState<Over | null>(null);
  const { compare, side, flip } = useCompared(byKey, looked, () => setOver({ what: 'compare' }));
  const open = (what: Exclude<Over['what'], 'why-not'>) => setOver({ what });
  const askWhy = useCallback((offer: string | null = null) => setOver({ what: 'why-not', offer }), []);
  const [asTable, flipTable] = useReducer((isTable: boolean) => !isTable, false);
  const newPart = useNewPart({ answer, planCase, nearestOnly: props.nearestOnly, steering, onLook, onMissing: askWhy });
  useKeys({
    enter: () => looked !== null && open('plan'),
    0: slip.putAll,
    c: compare.onCompare,
    v: () => side.length > 1 && open('compare'),
    t: flipTable,
    ...useWaysOn(open, askWhy, compose),
  });
  const shared = { planCase: base, supplies: job.supplies, steering: limits, looked: lookedKey, places, onLook };
  return (
    <>
      <SteerBar steering={steering} onSteer={steer} answer={lateAnswer} planCase={base} />
      {job.notBought && <NotBought />}
      <Suggested
        suggestions={suggestions}
        question={asksUse && <UseQuestion />}
        currency={planCase.currency}
        busy={slip.busy}
        onLook={onLook}
        onPutAll={slip.putAll}
      />
      {!props.nearestOnly && rungs.every(({ isWanted }) => !isWanted) && <NoPlan planCase={wishedCase} />}
      <Plans asTable={asTable} rungs={rungs} answer={answer} onSteer={steer} onPut={slip.put} {...shared} />
      <Composed
        hand={hand}
        planCase={wishedCase}
        answer={answer}
        steered={steered}
        sentence={slip.sentence}
        places={<AddAs {...onQuote(places, lookedKey)} places={places} busy={slip.busy} onPut={slip.put} />}
        compare={compare}
      />
      {looked !== null && hand.set === null && (
        <PlanStrip
          plan={looked}
          planCase={base}
          plans={answer.plans}
          places={places}
          suggested={whySuggested(say, lookedKey, suggestions)}
          best={whyLooked(say, lookedKey, rungs, { steering: limits, toleranceBp: job.bestToleranceBp })}
          later={<LaterNote plan={looked} planCase={planCase} />}
          slip={slip}
          onOpen={() => open('plan')}
          compare={compare}
          onCompose={compose}
        />
      )}
      <DeskTools
        answer={lateAnswer}
        planCase={base}
        asTable={asTable}
        onTable={flipTable}
        onOpen={open}
        onWhy={() => askWhy()}
        onCompose={compose}
      />
      <LaidOver
        over={over}
        looked={looked}
        compared={side}
        plans={answer.plans}
        planCase={planCase}
        wishedCase={wishedCase}
        filters={steering}
        newPart={newPart}
        onDrop={(key) => flip(side.find((one) => planKey(one) === key) ?? null)}
        onOver={setOver}
        onCompose={(offer) => steered.compose(planKey(withPacks(base, hand.set ?? looked ?? setToday(base), offer)))}
      />
    </>
  );
}

interface ComposedProps
  extends Pick<ComponentProps<typeof ComposePanel>, 'planCase' | 'answer' | 'sentence' | 'places'> {
  hand: ReturnType<typeof useHandMade>;
  steered: Steered;
  compare: CompareButtonsProps;
}

/** The set that is put together by hand, if any is. */
function Composed({ hand: { set, made }, steered, compare, places, ...panel }: ComposedProps) {
  if (set === null) return null;
  const onChange = (next: PlanChoice) => steered.name(planKey(next));
  const acts = (
    <>
      {places}
      <CompareButtons {...compare} />
    </>
  );
  const end = () => steered.compose(null);
  return <ComposePanel {...panel} places={acts} set={set} made={made} onChange={onChange} onEnd={end} />;
}

/** The plans, as a ladder or as a table. */
function Plans({ asTable, ...ladder }: ComponentProps<typeof Ladder> & { asTable: boolean }) {
  const { rungs, answer, onSteer: _, ...table } = ladder;
  if (rungs.length === 0) return null;
  return (
    <>
      <OldPrices planCase={ladder.planCase} />
      {asTable ? <PlanTable plans={answer.plans} {...table} /> : <Ladder {...ladder} />}
    </>
  );
}
