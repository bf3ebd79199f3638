'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Steering } from '@/core/planning/filters/steering';
import { useJob } from '../../job/job-context';
import { ladderQuery, readLadderUrl, sameSteering } from './steering-url';
import { useRemembered } from './use-remembered';

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
  /** the plan is put together by hand */
  byHand: boolean;
  /** begins to put a plan together, from the one of this key, or ends it, which leaves the plan that it has come to */
  compose: (from: string | null) => void;
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

/**
 * Writes the address once the hand rests: one step to go back to, however many keys it took.
 *
 * @param queryNow what it is to say by then
 */
function usePendingAddress(queryNow: () => string) {
  const waiting = useRef<ReturnType<typeof setTimeout> | null>(null);
  const query = useRef(queryNow);
  query.current = queryNow;
  const forget = useCallback(() => {
    if (waiting.current !== null) clearTimeout(waiting.current);
    waiting.current = null;
  }, []);
  const writeNow = useCallback(() => {
    if (waiting.current === null) return;
    forget();
    writeAddress('pushState', query.current());
  }, [forget]);
  const writeLater = useCallback(() => {
    forget();
    waiting.current = setTimeout(writeNow, RESTS_MS);
  }, [forget, writeNow]);
  useEffect(() => {
    window.addEventListener('pagehide', writeNow);
    return () => {
      window.removeEventListener('pagehide', writeNow);
      forget();
    };
  }, [writeNow, forget]);
  const isWaiting = useCallback(() => waiting.current !== null, []);
  return { isWaiting, writeNow, writeLater, forget };
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
  const [byHand, setByHand] = useState(atFirst.byHand);
  const now = useRef({ steering: settled, plan, byHand });
  const { isWaiting, writeNow, writeLater, forget } = usePendingAddress(() =>
    ladderQuery(now.current.steering, now.current.plan, now.current.byHand),
  );
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
      writeLater();
    },
    [writeLater],
  );
  const name = useCallback(
    (key: string | null) => {
      if (now.current.plan === key) return;
      writeNow();
      now.current = { ...now.current, plan: key };
      setPlan(key);
      writeAddress('replaceState', ladderQuery(now.current.steering, key, now.current.byHand));
    },
    [writeNow],
  );
  const compose = useCallback(
    (from: string | null) => {
      writeNow();
      now.current = { ...now.current, plan: from ?? now.current.plan, byHand: from !== null };
      setPlan(now.current.plan);
      setByHand(from !== null);
      writeAddress('replaceState', ladderQuery(now.current.steering, now.current.plan, from !== null));
    },
    [writeNow],
  );
  const remembered = useRef(job.steering);
  useEffect(() => {
    const back = () => {
      forget();
      const said = readLadderUrl(new URLSearchParams(window.location.search));
      const steering = said.steering ?? remembered.current;
      now.current = { steering, plan: said.plan, byHand: said.byHand };
      setLive(null);
      setSettled(steering);
      setPlan(said.plan);
      setByHand(said.byHand);
      // The router draws what it had when it was last here.
      router.refresh();
    };
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, [router, forget]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a page that was drawn again has the router's address again
  useEffect(() => {
    if (isWaiting()) return;
    const { steering, plan: key, byHand: isByHand } = now.current;
    const said = readLadderUrl(new URLSearchParams(window.location.search));
    const isSaid =
      said.plan === key && said.byHand === isByHand && sameSteering(said.steering ?? remembered.current, steering);
    if (!isSaid) writeAddress('replaceState', ladderQuery(steering, key, isByHand));
  }, [job]);
  const { forgetful, clash, over } = useRemembered(job.id, settled, job.steering, router.refresh);
  const settle = (whose: 'mine' | 'theirs') => {
    if (clash === null) return;
    // Theirs is told by nobody: the ladder follows it, and what else was changed here is told in its turn.
    if (whose === 'theirs') steer(clash);
    over(clash, whose === 'mine');
  };
  return { steering: live ?? settled, steer, plan, name, byHand, compose, forgetful, clash, settle };
}
