'use client';
import { useEffect, useMemo, useState } from 'react';
import type { WhyNot, WhyNotAnswer } from '@/core/planning/explain/why-not';
import { whyNotLines } from '@/core/planning/explain/why-not-words';
import type { PlanCase } from '@/core/planning/model/case';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';
import { planWorker } from '../early-worker';
import { usePlanSay } from '../use-plan-say';

/** What is told, line by line; null: nothing is asked; undefined: it is being worked out; `failed`: it could not be. */
export type Told = readonly string[] | null | undefined | 'failed';
type Answered = WhyNotAnswer | null | undefined | 'failed';

/** Anyone who types or drags on has not asked yet, ms. */
const PAUSE_MS = 250;

function ask(request: PlanRequest, tell: (told: Answered) => void): Worker {
  const worker = planWorker();
  worker.onmessage = ({ data }: MessageEvent<PlanReply>) => {
    if (data.state === 'told') tell(data.answer);
    else if (data.state === 'failed') tell('failed');
  };
  worker.onerror = () => tell('failed');
  worker.postMessage(request);
  return worker;
}

/** Why something is not on the ladder, worked out in a worker of its own, so that the ladder can be steered meanwhile. */
export function useWhyNot(planCase: PlanCase, asked: WhyNot | null): Told {
  const say = usePlanSay(planCase.currency);
  const [told, setTold] = useState<Answered>(null);
  const key = JSON.stringify(asked);
  useEffect(() => {
    const question = JSON.parse(key) as WhyNot | null;
    if (question === null) {
      setTold(null);
      return;
    }
    setTold(undefined);
    let worker: Worker | null = null;
    const start = setTimeout(() => {
      worker = ask({ id: 1, asked: question, about: planCase }, setTold);
    }, PAUSE_MS);
    return () => {
      clearTimeout(start);
      worker?.terminate();
    };
  }, [key, planCase]);
  return useMemo(
    () => (told == null || told === 'failed' ? told : whyNotLines(say, planCase, told)),
    [told, say, planCase],
  );
}
