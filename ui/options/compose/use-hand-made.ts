'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { HandMade } from '@/core/planning/explain/hand-made';
import { setOfKey } from '@/core/planning/filters/ladder';
import type { PlanCase } from '@/core/planning/model/case';
import type { PlanChoice } from '@/core/planning/search/evaluate-choice';
import type { Answer, Plan } from '@/core/planning/search/plan';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';
import { planWorker } from '../early-worker';
import { setToday } from './set-packs';

/** What comes of a set: null: it is being worked out; `failed`: it could not be. */
export type Made = HandMade | null | 'failed';

interface ByHand {
  /** the set as the address names it, or what is in the machine today; null: nothing is put together */
  set: PlanChoice | null;
  made: Made;
  /** the plan that it makes; null: none */
  plan: Plan | null;
}

/**
 * The set that is put together by hand, weighed in a worker of its own, which stays for as long as somebody does. What was
 * weighed last stands until the next is.
 *
 * @param named name of the set
 */
export function useHandMade(
  { named, byHand }: { named: string | null; byHand: boolean },
  planCase: PlanCase,
  { baseline, plans }: Answer,
): ByHand {
  const [made, setMade] = useState<Made>(null);
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const set = useMemo(
    () => (byHand ? ((named === null ? null : setOfKey(planCase, named)) ?? setToday(planCase)) : null),
    [byHand, named, planCase],
  );
  useEffect(() => {
    if (set === null) {
      setMade(null);
      return;
    }
    if (worker.current === null) {
      worker.current = planWorker();
      worker.current.onmessage = ({ data }: MessageEvent<PlanReply>) => {
        if (!('id' in data) || data.id !== asked.current) return;
        if (data.state === 'weighed') setMade(data.made);
        else if (data.state === 'failed') setMade('failed');
      };
      worker.current.onerror = () => setMade('failed');
    }
    const beside = { todayMBs: baseline.bandwidthMBs, plans };
    worker.current.postMessage({ id: ++asked.current, hand: set, about: planCase, beside } satisfies PlanRequest);
  }, [set, planCase, baseline, plans]);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );
  const now = set === null ? null : made;
  return { set, made: now, plan: now !== null && now !== 'failed' && now.ok ? now.plan : null };
}
