'use client';
import { useCallback, useRef } from 'react';
import type { Suggestion } from '@/core/planning/filters/suggest-three';
import type { Plan } from '@/core/planning/search/plan';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';

/** Puts the plan that is looked at, or the three that are suggested, on the slip. */
export function usePutOnSlip(looked: Plan | null, suggestions: readonly Suggestion[]) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const putPlan = (place: number, { kept, bought }: Plan) =>
    save('POST', `/api/jobs/${job.id}/options`, { place, kept, bought });
  const putNow = useRef((_place: number) => {});
  putNow.current = (place) => {
    if (looked !== null) void putPlan(place, looked);
  };
  const putAll = async () => {
    for (const [nr, { plan }] of suggestions.entries()) await putPlan(nr + 1, plan);
  };
  // The same while another plan is looked at: what draws the plans is not drawn again for it.
  const put = useCallback((place: number) => putNow.current(place), []);
  return { busy, sentence, put, putAll: () => void putAll() };
}
