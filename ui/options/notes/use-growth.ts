'use client';
import { useEffect, useState } from 'react';
import type { Growth } from '@/core/planning/later/grow-later';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';
import { planWorker } from '../early-worker';

/** Anyone who goes along the plans is on to the next before it is worth asking, ms. */
const PAUSE_MS = 300;

/** What was told before, by case and by plan: the same plan of the same case leads to the same. */
const told = new WeakMap<PlanCase, WeakMap<Plan, Growth>>();

/**
 * What the next step up from a plan would be, worked out in a worker of its own, so that the ladder is steered meanwhile.
 *
 * @returns null: it is being worked out, or could not be
 */
export function useGrowth(planCase: PlanCase, plan: Plan): Growth | null {
  const known = told.get(planCase)?.get(plan) ?? null;
  const [, redraw] = useState(0);
  useEffect(() => {
    if (told.get(planCase)?.has(plan)) return;
    let worker: Worker | null = null;
    const start = setTimeout(() => {
      worker = planWorker();
      worker.onmessage = ({ data }: MessageEvent<PlanReply>) => {
        if (data.state !== 'grown') return;
        const ofCase = told.get(planCase) ?? new WeakMap<Plan, Growth>();
        told.set(planCase, ofCase.set(plan, data.growth));
        redraw((before) => before + 1);
      };
      worker.postMessage({ id: 1, grown: plan, about: planCase } satisfies PlanRequest);
    }, PAUSE_MS);
    return () => {
      clearTimeout(start);
      worker?.terminate();
    };
  }, [planCase, plan]);
  return known;
}
