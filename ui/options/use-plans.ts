'use client';
import { useEffect, useRef, useState } from 'react';
import type { PlanCase } from '@/core/planning/case';
import type { Answer } from '@/core/planning/plan';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';

export type Planning = { state: 'planning' } | { state: 'done'; answer: Answer } | { state: 'failed' };

/** The plans of a case, worked out in a web worker; a newer case ends the work on an older one. */
export function usePlans(planCase: PlanCase | null): Planning {
  const [planning, setPlanning] = useState<Planning>({ state: 'planning' });
  const asked = useRef(0);
  const key = JSON.stringify(planCase);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the case is compared by what it says, not by identity
  useEffect(() => {
    if (planCase === null) return;
    const worker = new Worker(new URL('../../worker/plan-worker.ts', import.meta.url));
    const id = ++asked.current;
    setPlanning({ state: 'planning' });
    worker.onmessage = ({ data }: MessageEvent<PlanReply>) => {
      if (data.id === id) setPlanning(data.ok ? { state: 'done', answer: data.answer } : { state: 'failed' });
    };
    worker.onerror = () => setPlanning({ state: 'failed' });
    worker.postMessage({ id, planCase } satisfies PlanRequest);
    return () => worker.terminate();
  }, [key]);
  return planning;
}
