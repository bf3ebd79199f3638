'use client';
import { useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Steering } from '@/core/planning/steering';
import { callOnce } from '../client/session-guard';
import { useJob } from '../job/job-context';
import { ladderQuery, readLadderUrl, sameSteering } from './steering-url';

/** So long nothing has to change before the job remembers, ms. */
const REMEMBER_AFTER_MS = 600;

export interface Steered {
  steering: Steering;
  /** changes it; `live` while a hand is still moving: the address follows when it lets go */
  steer: (patch: Partial<Steering>, live?: boolean) => void;
  /** the plan that the address names, by its key */
  plan: string | null;
  /** names another plan in the address, which is no step to go back to */
  name: (plan: string | null) => void;
  /** the job does not remember yet how it is steered */
  forgetful: boolean;
}

/** How the ladder is steered: in the address, so that back and forward work, and remembered by the job. */
export function useSteering(): Steered {
  const { job } = useJob();
  const params = useSearchParams();
  const url = useMemo(() => readLadderUrl(new URLSearchParams(params.toString())), [params]);
  const [live, setLive] = useState<Steering | null>(null);
  const settled = url.steering ?? job.steering;
  const steering = live ?? settled;
  const now = useRef(steering);
  now.current = steering;
  const plan = useRef(url.plan);

  const write = useCallback((next: Steering, how: 'pushState' | 'replaceState') => {
    window.history[how](null, '', `?${ladderQuery(next, plan.current)}`);
  }, []);
  const steer = useCallback(
    (patch: Partial<Steering>, isLive = false) => {
      const next = { ...now.current, ...patch };
      now.current = next;
      setLive(next);
      if (!isLive) write(next, 'pushState');
    },
    [write],
  );
  const name = useCallback(
    (key: string | null) => {
      if (plan.current === key) return;
      plan.current = key;
      write(now.current, 'replaceState');
    },
    [write],
  );
  // Once the address has caught up, it says how things stand: so going back has its way.
  useEffect(() => {
    setLive((own) => (own !== null && sameSteering(own, settled) ? null : own));
  }, [settled]);
  useEffect(() => {
    const back = () => {
      plan.current = readLadderUrl(new URLSearchParams(window.location.search)).plan;
      setLive(null);
    };
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, []);
  const forgetful = useRemembered(job.id, settled, job.steering);
  return { steering, steer, plan: url.plan, name, forgetful };
}

/** Lets the job remember how its ladder is steered; true while it could not be told. */
function useRemembered(jobId: number, steering: Steering, atFirst: Steering): boolean {
  const [forgetful, setForgetful] = useState(false);
  const told = useRef(atFirst);
  const wanted = useRef(steering);
  wanted.current = steering;
  const tell = useCallback(async () => {
    const next = wanted.current;
    if (sameSteering(next, told.current)) return;
    const answer = await callOnce('PUT', `/api/jobs/${jobId}/steering`, next);
    if (answer.ok) told.current = next;
    setForgetful(!answer.ok);
  }, [jobId]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each change starts the wait anew
  useEffect(() => {
    const waiting = setTimeout(() => void tell(), REMEMBER_AFTER_MS);
    return () => clearTimeout(waiting);
  }, [steering, tell]);
  useEffect(() => {
    const again = () => void tell();
    window.addEventListener('online', again);
    return () => {
      window.removeEventListener('online', again);
      // Whoever leaves in between is not made to wait.
      void tell();
    };
  }, [tell]);
  return forgetful;
}
