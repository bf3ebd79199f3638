'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { filtersOf } from '@/core/planning/filters/offer-filters';
import type { Steering } from '@/core/planning/filters/steering';
import { callOnce } from '../../client/session-guard';
import { sameSteering } from './steering-url';

/** So long nothing has to change before the job remembers, ms. */
const REMEMBER_AFTER_MS = 600;

interface Remembering {
  forgetful: boolean;
  clash: Partial<Steering> | null;
  /** takes note of what somebody else steered, and tells the job again where mine is to stay */
  over: (theirs: Partial<Steering>, isMine: boolean) => void;
}

/**
 * Lets the job remember how its ladder is steered; forgetful while it could not be told.
 *
 * @param onOffers other offers are wanted: what is on offer is not the same any more
 */
export function useRemembered(jobId: number, steering: Steering, atFirst: Steering, onOffers: () => void): Remembering {
  const [forgetful, setForgetful] = useState(false);
  const [clash, setClash] = useState<Partial<Steering> | null>(null);
  const clashing = useRef(false);
  const told = useRef(atFirst);
  const wanted = useRef(steering);
  wanted.current = steering;
  const tell = useCallback(async () => {
    const next = wanted.current;
    if (clashing.current || sameSteering(next, told.current)) return;
    const answer = await callOnce<Steering>('PUT', `/api/jobs/${jobId}/steering`, { next, seen: told.current });
    const otherOffers = JSON.stringify(filtersOf(next)) !== JSON.stringify(filtersOf(told.current));
    if (answer.ok) told.current = next;
    clashing.current = !answer.ok && answer.theirs !== undefined;
    if (!answer.ok && answer.theirs !== undefined) setClash(answer.theirs);
    setForgetful(!answer.ok && !clashing.current);
    if (answer.ok && otherOffers) onOffers();
  }, [jobId, onOffers]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each change starts the wait again
  useEffect(() => {
    const waiting = setTimeout(() => void tell(), REMEMBER_AFTER_MS);
    return () => clearTimeout(waiting);
  }, [steering, tell]);
  useEffect(() => {
    const again = () => void tell();
    window.addEventListener('online', again);
    return () => {
      window.removeEventListener('online', again);
      // Anyone who leaves in between is not made to wait.
      void tell();
    };
  }, [tell]);
  const over = useCallback(
    (theirs: Partial<Steering>, isMine: boolean) => {
      told.current = { ...told.current, ...theirs };
      clashing.current = false;
      setClash(null);
      if (isMine) void tell();
    },
    [tell],
  );
  return { forgetful, clash, over };
}
