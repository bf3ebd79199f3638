'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Steering } from '@/core/planning/filters/steering';
import { callOnce } from '../../client/session-guard';
import { useJob } from '../../job/job-context';
import { ladderQuery, readLadderUrl, sameSteering } from './steering-url';

/** So long nothing has to change before the job remembers, ms. */
const REMEMBER_AFTER_MS = 600;
/** So long the hand has to rest before the address says what was settled, ms. */
const RESTS_MS = 250;

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
  /** what somebody else steered otherwise meanwhile; null: nobody did */
  clash: Partial<Steering> | null;
  /** ends the clash: mine is remembered, or the ladder follows theirs */
  settle: (whose: 'mine' | 'theirs') => void;
}

/**
 * Writes what the address says without the router hearing of it: the router would draw the page from before the last
 * change. It knows its own entries by what they carry, so that is kept.
 */
function writeAddress(how: 'pushState' | 'replaceState', query: string): void {
  if (window.location.search === `?${query}`) return;
  window.history[how](window.history.state, '', `?${query}`);
}

/** How the ladder is steered: in the address, so that back and forward work, and remembered by the job. */
export function useSteering(): Steered {
  const { job } = useJob();
  const router = useRouter();
  const params = useSearchParams();
  const [atFirst] = useState(() => readLadderUrl(new URLSearchParams(params.toString())));
  const [settled, setSettled] = useState<Steering>(atFirst.steering ?? job.steering);
  const [live, setLive] = useState<Steering | null>(null);
  const [plan, setPlan] = useState(atFirst.plan);
  const now = useRef({ steering: settled, plan });
  const waiting = useRef<ReturnType<typeof setTimeout> | null>(null);

  /** Writes what was settled since the address was written last: one step to go back to, however many keys it took. */
  const write = useCallback(() => {
    if (waiting.current === null) return;
    clearTimeout(waiting.current);
    waiting.current = null;
    writeAddress('pushState', ladderQuery(now.current.steering, now.current.plan));
  }, []);
  useEffect(() => {
    window.addEventListener('pagehide', write);
    return () => {
      window.removeEventListener('pagehide', write);
      if (waiting.current !== null) clearTimeout(waiting.current);
    };
  }, [write]);
  const steer = useCallback(
    (patch: Partial<Steering>, isLive = false) => {
      const steering = { ...now.current.steering, ...patch };
      now.current = { ...now.current, steering };
      if (isLive) {
        setLive(steering);
        return;
      }
      setLive(null);
      setSettled(steering);
      if (waiting.current !== null) clearTimeout(waiting.current);
      waiting.current = setTimeout(write, RESTS_MS);
    },
    [write],
  );
  const name = useCallback(
    (key: string | null) => {
      if (now.current.plan === key) return;
      write();
      now.current = { ...now.current, plan: key };
      setPlan(key);
      writeAddress('replaceState', ladderQuery(now.current.steering, key));
    },
    [write],
  );
  const remembered = useRef(job.steering);
  useEffect(() => {
    const back = () => {
      if (waiting.current !== null) clearTimeout(waiting.current);
      waiting.current = null;
      const said = readLadderUrl(new URLSearchParams(window.location.search));
      const steering = said.steering ?? remembered.current;
      now.current = { steering, plan: said.plan };
      setLive(null);
      setSettled(steering);
      setPlan(said.plan);
      // The router draws what it had when it was last here.
      router.refresh();
    };
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, [router]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a page that was drawn anew has the router's address again
  useEffect(() => {
    if (waiting.current !== null) return;
    const { steering, plan: key } = now.current;
    const said = readLadderUrl(new URLSearchParams(window.location.search));
    const isSaid = said.plan === key && sameSteering(said.steering ?? remembered.current, steering);
    if (!isSaid) writeAddress('replaceState', ladderQuery(steering, key));
  }, [job]);
  const { forgetful, clash, over } = useRemembered(job.id, settled, job.steering, router.refresh);
  const settle = (whose: 'mine' | 'theirs') => {
    if (clash === null) return;
    // Theirs is told by nobody: the ladder follows it, and what else was changed here is told in its turn.
    if (whose === 'theirs') steer(clash);
    over(clash, whose === 'mine');
  };
  return { steering: live ?? settled, steer, plan, name, forgetful, clash, settle };
}

interface Remembering {
  forgetful: boolean;
  clash: Partial<Steering> | null;
  /** takes note of what somebody else steered, and tells the job again where mine is to stay */
  over: (theirs: Partial<Steering>, isMine: boolean) => void;
}

/**
 * Lets the job remember how its ladder is steered; forgetful while it could not be told.
 *
 * @param onSellers sellers were told: what is on offer is not the same any more
 */
function useRemembered(jobId: number, steering: Steering, atFirst: Steering, onSellers: () => void): Remembering {
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
    const otherSellers = next.sellersOut.join('\n') !== told.current.sellersOut.join('\n');
    if (answer.ok) told.current = next;
    clashing.current = !answer.ok && answer.theirs !== undefined;
    if (!answer.ok && answer.theirs !== undefined) setClash(answer.theirs);
    setForgetful(!answer.ok && !clashing.current);
    if (answer.ok && otherSellers) onSellers();
  }, [jobId, onSellers]);
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
