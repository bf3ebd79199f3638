'use client';
import { useEffect, useRef, useState } from 'react';
import type { PlanCase } from '@/core/planning/case';
import type { Answer } from '@/core/planning/plan';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';

/** `share`: how much of the work is done, 0 to 1. */
export type Planning = { state: 'planning'; share: number } | { state: 'done'; answer: Answer } | { state: 'failed' };

/** The plans of a case, worked out in a web worker; a newer case ends the work on an older one. */
export function usePlans(planCase: PlanCase | null): Planning {
  const [planning, setPlanning] = useState<Planning>({ state: 'planning', share: 0 });
  const asked = useRef(0);
  const key = JSON.stringify(planCase);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the case is compared by what it says, not by identity
  useEffect(() => {
    if (planCase === null) return;
    const worker = new Worker(new URL('../../worker/plan-worker.ts', import.meta.url));
    const id = ++asked.current;
    setPlanning({ state: 'planning', share: 0 });
    worker.onmessage = ({ data }: MessageEvent<PlanReply>) => {
      if (data.id === id && data.state !== 'cancelled') setPlanning(data);
    };
    worker.onerror = () => setPlanning({ state: 'failed' });
    worker.postMessage({ id, planCase } satisfies PlanRequest);
    return () => worker.terminate();
  }, [key]);
  return planning;
}
