'use client';
import { type RefObject, startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Goal, Installed, PlanCase } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';
import type { Change } from '@/core/planning/search/planner';
import { Unpacker } from '@/worker/packed-answer';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';
import { EARLY, type OwnWorker, takeWorker } from './early-worker';
import { KnownAnswers } from './known-answers';

export interface Planning {
  /** the last that was worked out; null: none yet */
  answer: Answer | null;
  /** the case that the answer is of, with its goal */
  planCase: PlanCase | null;
  /** the same without it, which stays the same while only the goal changes */
  base: PlanCase | null;
  /** how much of the work on a newer one is done, 0 to 1; null: there is none */
  share: number | null;
  /** the answer is of the nearest plans alone: the rest is on its way */
  nearestOnly: boolean;
  failed: boolean;
}

const NOTHING_YET: Planning = { answer: null, planCase: null, base: null, share: 0, nearestOnly: false, failed: false };

interface Asked {
  id: number;
  /** the answer was known before it was asked for, and is shown */
  shown: boolean;
  planCase: PlanCase;
  base: PlanCase;
  /** what the case says beside what may stay and what is wished for */
  ground: string;
  goal: string;
}

const keepOf = (planCase: PlanCase): Record<string, Installed['keep']> =>
  Object.fromEntries(planCase.installed.map(({ slot, keep }) => [slot, keep ?? 'may']));

const staysOf = (planCase: PlanCase): string => JSON.stringify(keepOf(planCase));

const sameKeep = (a: PlanCase, b: PlanCase): boolean => staysOf(a) === staysOf(b);

/** What the planner has to hear of a case after another of the same ground. */
function changeTo(planCase: PlanCase, before: PlanCase): Change {
  return { goal: planCase.goal ?? null, ...(!sameKeep(planCase, before) && { keep: keepOf(planCase) }) };
}

/** What was asked of a worker, and what is known without it. */
interface Asking {
  own: OwnWorker;
  asked: RefObject<Asked | null>;
  /** the last that was asked has its answer */
  answered: RefObject<boolean>;
  known: KnownAnswers;
}

interface Wanted {
  base: PlanCase;
  /** what the case says beside what may stay and what is wished for */
  ground: string;
  /** the goal, as JSON */
  wanted: string;
  market: string | null;
}

/** Asks the worker, unless it is at that already; what was asked before and is not answered yet is nobody's wish any more. */
function ask({ own, asked, answered, known }: Asking, { base, ground, wanted, market }: Wanted): void {
  // What was planned before anybody asked is taken as asked for.
  if (asked.current === null && market !== null && own.planned === market) {
    asked.current = { id: EARLY, shown: false, planCase: { ...base, goal: {} }, base, ground, goal: '{}' };
    answered.current = false;
  }
  const before = asked.current;
  const planCase = { ...base, goal: JSON.parse(wanted) as Goal };
  const isAsked =
    before !== null && before.ground === ground && before.goal === wanted && sameKeep(planCase, before.planCase);
  if (isAsked) asked.current = { ...before, planCase, base };
  else {
    const id = (before?.id ?? EARLY) + 1;
    const send = (request: PlanRequest) => own.worker.postMessage(request);
    if (before !== null && !answered.current) send({ cancel: before.id });
    const shown = known.find(ground, staysOf(base), planCase.goal) !== null;
    asked.current = { id, shown, planCase, base, ground, goal: wanted };
    answered.current = false;
    if (before === null || before.ground !== ground) send({ id, planCase });
    else send({ id, change: changeTo(planCase, before.planCase) });
  }
}

/**
 * The plans of a case for a goal, worked out in a web worker that stays: what only changes in goal or locks is planned again
 * from what is known. The last answer stands until the next is there; a newer question ends the work on an older one.
 *
 * @param market where the case was read: a worker may have been given that already
 */
export function usePlans(base: PlanCase | null, market: string | null, goal: Goal): Planning {
  const [planning, setPlanning] = useState(NOTHING_YET);
  const worker = useRef<OwnWorker | null>(null);
  const asked = useRef<Asked | null>(null);
  const answered = useRef(true);
  const ground = useMemo(
    () =>
      base === null
        ? null
        : JSON.stringify({ ...base, goal: null, installed: base.installed.map((one) => ({ ...one, keep: null })) }),
    [base],
  );
  const wanted = JSON.stringify(goal);

  /** times that the worker has to be handed the case after all */
  const [handed, setHanded] = useState(0);
  const [known] = useState(() => new KnownAnswers());
  const found = base === null || ground === null ? null : known.find(ground, staysOf(base), goal);
  // What is known follows the hand at once; the worker hears of it meanwhile.
  if (base !== null && found !== null && (planning.answer !== found || planning.base !== base)) {
    setPlanning({ answer: found, planCase: { ...base, goal }, base, share: null, nearestOnly: false, failed: false });
  }

  const answers = useRef(new Unpacker());
  const isFirst = useRef(true);
  const receive = useCallback(
    (reply: PlanReply) => {
      // Later answers build on those that nobody waits for any more.
      const answer = 'answer' in reply && reply.state !== 'told' ? answers.current.unpack(reply.answer) : null;
      const now = asked.current;
      if (now === null || reply.id !== now.id || reply.state === 'cancelled' || reply.state === 'told') return;
      if (reply.state === 'ahead') {
        if (answer !== null) known.keep(now.ground, staysOf(now.base), reply.goal, answer);
        return;
      }
      if (reply.state === 'planning') {
        if (!now.shown) setPlanning((before) => ({ ...before, share: reply.share, failed: false }));
        return;
      }
      if (reply.state === 'first') {
        if (now.shown || answer === null || answer.plans.length === 0) return;
        setPlanning({ answer, planCase: now.planCase, base: now.base, share: 0, nearestOnly: true, failed: false });
        return;
      }
      answered.current = true;
      if (reply.state === 'failed' && now.id === EARLY && worker.current !== null) {
        // It could not read the market by itself: it is handed the case.
        worker.current.planned = null;
        asked.current = null;
        setHanded((before) => before + 1);
        return;
      }
      if (reply.state === 'failed') {
        setPlanning((before) => ({ ...before, share: null, failed: true }));
        return;
      }
      if (now.shown || answer === null) return;
      known.keep(now.ground, staysOf(now.base), now.planCase.goal ?? {}, answer);
      const show = () =>
        setPlanning({ answer, planCase: now.planCase, base: now.base, share: null, nearestOnly: false, failed: false });
      // The first ladder is drawn piece by piece while the rest of the page comes to life; later ones follow the hand.
      if (isFirst.current) startTransition(show);
      else show();
      isFirst.current = false;
    },
    [known],
  );

  useEffect(() => {
    const own = takeWorker();
    worker.current = own;
    asked.current = null;
    answers.current = new Unpacker();
    own.worker.onmessage = ({ data }: MessageEvent<PlanReply>) => {
      if (asked.current === null) own.inbox.push(data);
      else receive(data);
    };
    own.worker.onerror = () => setPlanning((before) => ({ ...before, share: null, failed: true }));
    return () => own.worker.terminate();
  }, [receive]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: it asks again where the worker has to be handed the case.
  useEffect(() => {
    const own = worker.current;
    if (base === null || ground === null || own === null) return;
    ask({ own, asked, answered, known }, { base, ground, wanted, market });
    for (const reply of own.inbox.splice(0)) receive(reply);
  }, [base, ground, wanted, market, receive, known, handed]);

  return planning;
}
