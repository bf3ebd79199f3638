'use client';
import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { Goal, Installed, PlanCase } from '@/core/planning/case';
import type { Answer } from '@/core/planning/plan';
import type { Change } from '@/core/planning/planner';
import { Unpacker } from '@/worker/packed-answer';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';
import { takeWorker } from './early-worker';

export interface Planning {
  /** the last that was worked out; null: none yet */
  answer: Answer | null;
  /** the case that the answer is of */
  planCase: PlanCase | null;
  /** how much of the work on a newer one is done, 0 to 1; null: there is none */
  share: number | null;
  failed: boolean;
}

interface Asked {
  id: number;
  planCase: PlanCase;
  /** what the case says beside what may stay and what is wished for */
  ground: string;
  goal: string;
}

const keepOf = (planCase: PlanCase): Record<string, Installed['keep']> =>
  Object.fromEntries(planCase.installed.map(({ slot, keep }) => [slot, keep ?? 'may']));

/** What the planner has to hear of a case after another of the same ground. */
function changeTo(planCase: PlanCase, before: PlanCase): Change {
  const sameKeep = JSON.stringify(keepOf(planCase)) === JSON.stringify(keepOf(before));
  return { goal: planCase.goal ?? null, ...(!sameKeep && { keep: keepOf(planCase) }) };
}

/**
 * The plans of a case for a goal, worked out in a web worker that stays: what only changes in goal or locks is planned again
 * from what is known. The last answer stands until the next is there; a newer question ends the work on an older one.
 */
export function usePlans(base: PlanCase | null, goal: Goal): Planning {
  const [planning, setPlanning] = useState<Planning>({ answer: null, planCase: null, share: 0, failed: false });
  const worker = useRef<Worker | null>(null);
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

  useEffect(() => {
    const own = takeWorker();
    worker.current = own;
    asked.current = null;
    const answers = new Unpacker();
    let isFirst = true;
    own.onmessage = ({ data }: MessageEvent<PlanReply>) => {
      // Later answers build on those that nobody waits for any more.
      const answer = data.state === 'done' ? answers.unpack(data.answer) : null;
      const now = asked.current;
      if (now === null || data.id !== now.id || data.state === 'cancelled' || data.state === 'told') return;
      if (data.state === 'planning') {
        setPlanning((before) => ({ ...before, share: data.share, failed: false }));
        return;
      }
      answered.current = true;
      if (data.state === 'failed') setPlanning((before) => ({ ...before, share: null, failed: true }));
      else {
        const show = () => setPlanning({ answer, planCase: now.planCase, share: null, failed: false });
        // The first ladder is drawn piece by piece while the rest of the page comes to life; later ones follow the hand.
        if (isFirst) startTransition(show);
        else show();
        isFirst = false;
      }
    };
    own.onerror = () => setPlanning((before) => ({ ...before, share: null, failed: true }));
    return () => own.terminate();
  }, []);

  useEffect(() => {
    if (base === null || ground === null || worker.current === null) return;
    const before = asked.current;
    const planCase = { ...base, goal: JSON.parse(wanted) as Goal };
    const id = (before?.id ?? 0) + 1;
    const send = (request: PlanRequest) => worker.current?.postMessage(request);
    if (before !== null && !answered.current) send({ cancel: before.id });
    asked.current = { id, planCase, ground, goal: wanted };
    answered.current = false;
    if (before === null || before.ground !== ground) send({ id, planCase });
    else send({ id, change: changeTo(planCase, before.planCase) });
  }, [base, ground, wanted]);

  return planning;
}
