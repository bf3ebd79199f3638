'use client';
import dynamic from 'next/dynamic';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { whyBest } from '@/core/planning/filters/best-of-rung';
import { planKey, rungsOf } from '@/core/planning/filters/ladder';
import { missedBy, type Steering, UNSTEERED } from '@/core/planning/filters/steering';
import { suggestThree } from '@/core/planning/filters/suggest-three';
import type { PlanCase } from '@/core/planning/model/case';
import type { Answer, Plan } from '@/core/planning/search/plan';
import { useKeys } from '../client/use-keys';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { NearLink } from '../kit/near-link';
import { Ladder } from './ladder/ladder';
import { LaidOver, type Over } from './ladder/laid-over';
import { OldPrices } from './old-prices';
import { PlanStrip } from './plan-strip';
import { useNewPart } from './sheets/use-new-part';
import { NoPlan } from './steer/no-plan';
import { RefusedOffers } from './steer/refused-offers';
import { SteerBar } from './steer/steer-bar';
import { Suggested } from './steer/suggested';
import type { Steered } from './steer/use-steering';

interface OptionsDeskProps {
  answer: Answer;
  /** the case without a goal, the same while only the goal changes */
  base: PlanCase;
  planCase: PlanCase;
  steered: Steered;
}

// Fetched when it is first asked for: the ladder is there the sooner.
const NotBought = dynamic(() => import('./yardstick').then((module) => module.NotBought), { ssr: false });
const PlanTable = dynamic(() => import('./plan-table').then((module) => module.PlanTable), { ssr: false });

const MOST_COMPARED = 3;

/** Plans of the slip by their key, with their place. */
function usePlaces(): ReadonlyMap<string, number> {
  const { job } = useJob();
  return useMemo(
    () => new Map(job.slip.flatMap((one) => (one.ok ? [[planKey(one.option.shop), one.place] as const] : []))),
    [job.slip],
  );
}

/** What only shuts plans out: the picture follows it at once, and stays as it is while anything else is planned for. */
function useLimits({ needMiB, budgetCents, freeSlots }: Steering): Steering {
  return useMemo(() => ({ ...UNSTEERED, needMiB, budgetCents, freeSlots }), [needMiB, budgetCents, freeSlots]);
}

/** The plans as rungs, and what follows from them for how the job is steered. */
function useRungs({ answer, base }: OptionsDeskProps, steering: Steering) {
  const { job } = useJob();
  const { bestToleranceBp: toleranceBp, cover } = job;
  const rungs = useMemo(
    () => rungsOf(answer.plans, { toleranceBp, isWanted: (plan) => missedBy(steering, plan) === null }),
    [answer, steering, toleranceBp],
  );
  // What is suggested follows the ladder.
  const late = useDeferredValue(rungs);
  const { todayMiB, currency } = { todayMiB: answer.baseline.totalMiB, currency: base.currency };
  const suggestions = useMemo(
    () => suggestThree({ rungs: late, steering, todayMiB, cover, currency, toleranceBp }),
    [late, steering, todayMiB, cover, currency, toleranceBp],
  );
  const byKey = useMemo(() => new Map(answer.plans.map((plan) => [planKey(plan), plan])), [answer]);
  return { rungs, suggestions, byKey };
}

/** The case with all that is wished for, need, budget and free slots as well. */
function wishedBy({ needMiB, budgetCents, freeSlots }: Steering, planCase: PlanCase): PlanCase {
  const wishes = { minMiB: needMiB, maxPriceCents: budgetCents, minOpenSlots: freeSlots === 0 ? null : freeSlots };
  return { ...planCase, goal: { ...planCase.goal, ...wishes } };
}

/** The ladder or the table of plans, what steers it, the plan that is looked at, and what can be laid over them. */
export function OptionsDesk(props: OptionsDeskProps) {
  const { answer, base, planCase, steered } = props;
  const lateAnswer = useDeferredValue(answer);
  const { job, looked, look } = useJob();
  const { steering, steer, plan: named, name } = steered;
  const places = usePlaces();
  const { busy, sentence, save } = useSave();
  const limits = useLimits(steering);
  const { rungs, suggestions, byKey } = useRungs(props, limits);
  const [over, setOver] = useState<Over | null>(null);
  const open = (what: Exclude<Over['what'], 'why-not'>) => setOver({ what });
  const askWhy = useCallback((offer: string | null = null) => setOver({ what: 'why-not', offer }), []);
  const [asTable, setAsTable] = useState(false);
  const [compared, setCompared] = useState<readonly string[]>([]);
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

  const put = (place: number, { kept, bought }: Plan) =>
    save('POST', `/api/jobs/${job.id}/options`, { place, kept, bought });
  const putAll = async () => {
    for (const [nr, { plan }] of suggestions.entries()) await put(nr + 1, plan);
  };
  const putNow = useRef((_place: number) => {});
  putNow.current = (place) => {
    if (looked !== null) void put(place, looked);
  };
  const putLooked = useCallback((place: number) => putNow.current(place), []);
  const lookedKey = looked === null ? null : planKey(looked);
  const side = compared.flatMap((key) => byKey.get(key) ?? []);
  const flipCompared = (key: string | null) => {
    if (key === null) return;
    setCompared((before) => {
      const there = before.filter((one) => byKey.has(one));
      if (there.includes(key)) return there.filter((one) => one !== key);
      return there.length < MOST_COMPARED ? [...there, key] : there;
    });
  };
  useKeys({
    enter: () => looked !== null && open('plan'),
    0: () => void putAll(),
    c: () => flipCompared(lookedKey),
    v: () => side.length > 1 && open('compare'),
    t: () => setAsTable(!asTable),
    n: () => open('new-part'),
    w: () => askWhy(),
    x: () => window.location.assign(`/jobs/${job.id}/customer`),
    '?': () => open('keys'),
  });
  const rung = looked === null ? undefined : rungs.find((one) => planKey(one.best) === lookedKey);
  const wanted = rung?.plans.filter((plan) => missedBy(steering, plan) === null) ?? [];
  const best =
    rung === undefined ? '' : whyBest(wanted.length > 0 ? wanted : rung.plans, planCase.currency, job.bestToleranceBp);
  const newPart = useNewPart({ answer, planCase, steering, onLook, onMissing: askWhy });
  const wishedCase = useMemo(() => wishedBy(steering, planCase), [steering, planCase]);
  const shared = {
    planCase: base,
    supplies: job.supplies,
    steering: limits,
    looked: lookedKey,
    places,
    onLook,
    onPut: putLooked,
  };
  return (
    <>
      <SteerBar steering={steering} onSteer={steer} answer={lateAnswer} planCase={base} />
      {job.notBought && <NotBought />}
      <Suggested
        suggestions={suggestions}
        currency={planCase.currency}
        busy={busy}
        onLook={onLook}
        onPutAll={() => void putAll()}
      />
      {rungs.every(({ isWanted }) => !isWanted) && <NoPlan planCase={wishedCase} />}
      {rungs.length > 0 && <OldPrices planCase={base} />}
      {rungs.length === 0 ? null : asTable ? (
        <PlanTable plans={answer.plans} {...shared} />
      ) : (
        <Ladder rungs={rungs} answer={answer} onSteer={steer} {...shared} />
      )}
      {looked !== null && (
        <PlanStrip
          plan={looked}
          planCase={base}
          plans={answer.plans}
          places={places}
          compared={compared}
          best={best}
          busy={busy}
          sentence={sentence}
          onPut={putLooked}
          onOpen={() => open('plan')}
          onCompare={() => flipCompared(lookedKey)}
          onSideBySide={() => open('compare')}
        />
      )}
      <div className="flex flex-wrap gap-x-4 items-baseline">
        <RefusedOffers answer={lateAnswer} planCase={base} />
        <div className="ml-auto flex flex-wrap gap-x-4 justify-end">
          <Button weight="quiet" onClick={() => open('new-part')}>
            A part seen elsewhere
          </Button>
          <Button weight="quiet" onClick={() => askWhy()}>
            Why is it not there?
          </Button>
          <Button weight="quiet" onClick={() => setAsTable(!asTable)}>
            {asTable ? 'Ladder' : 'Table'}
          </Button>
          {/* A whole new page: nothing of the staff's is in what the customer sees. */}
          <a href={`/jobs/${job.id}/customer`} className={buttonLook('quiet')}>
            For the customer
          </a>
          <Button weight="quiet" onClick={() => open('keys')} aria-label="Keys: what they do here">
            Keys
          </Button>
          <NearLink href={`/offers?job=${job.id}`} className={buttonLook('quiet')}>
            All that fits
          </NearLink>
        </div>
      </div>
      <p role="status" className={newPart.said === '' ? 'sr-only' : 'text-sm'}>
        {newPart.said}
      </p>
      <LaidOver
        over={over}
        looked={looked}
        compared={side}
        plans={answer.plans}
        planCase={planCase}
        wishedCase={wishedCase}
        onDrop={flipCompared}
        onNewPart={(offer) => {
          setOver(null);
          newPart.expect(offer);
        }}
        onClose={() => setOver(null)}
      />
    </>
  );
}
