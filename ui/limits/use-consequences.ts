'use client';
import { useEffect, useState } from 'react';
import { caseUnder, limitsOfClaims } from '@/core/machine/case-of-job';
import { type Conflict, settled } from '@/core/machine/limits/conflicts';
import type { Claim } from '@/core/machine/limits/limit';
import type { PlanCase } from '@/core/planning/model/case';
import { Unpacker } from '@/worker/packed-answer';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';

/** What a settlement leads to: how many plans there are then, and how many of them are off-book. */
export interface Consequence {
  plans: number;
  offBook: number;
  largestMiB: number | null;
}

/** Past this the rest is left uncounted: a decision is not worth more waiting. */
const LONGEST_MS = 20_000;

/** Limits on which offers hang: a case with others would need another market. */
const MARKET = new Set(['generations', 'form']);

export const consequenceKey = (conflict: number, settlement: number): string => `${conflict} ${settlement}`;

/** Works out every settlement of every conflict in a worker, one after another; what is not there yet is being worked out. */
export function useConsequences(
  conflicts: readonly Conflict[],
  claims: readonly Claim[],
  planCase: PlanCase | null,
): { known: ReadonlyMap<string, Consequence>; working: boolean } {
  const [known, setKnown] = useState<ReadonlyMap<string, Consequence>>(new Map());
  const [working, setWorking] = useState(false);
  const key = JSON.stringify([conflicts, claims, planCase]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: they are compared by what they say, not by identity
  useEffect(() => {
    setKnown(new Map());
    if (planCase === null) return;
    const asks = conflicts.flatMap(({ settlements }, conflict) =>
      settlements.flatMap((one, settlement) =>
        one.sets.some(({ limit }) => MARKET.has(limit)) ? [] : [{ key: consequenceKey(conflict, settlement), one }],
      ),
    );
    if (asks.length === 0) return;
    const worker = new Worker(new URL('../../worker/plan-worker.ts', import.meta.url));
    const answers = new Unpacker();
    setWorking(true);
    const stop = () => {
      worker.terminate();
      setWorking(false);
    };
    const timer = setTimeout(stop, LONGEST_MS);
    worker.onerror = stop;
    worker.onmessage = ({ data }: MessageEvent<PlanReply>) => {
      if (data.state === 'first') {
        // Later answers build on it.
        answers.unpack(data.answer);
        return;
      }
      const ask = asks[data.id];
      if (data.state === 'done' && ask !== undefined) {
        const { plans } = answers.unpack(data.answer);
        const totals = plans.map(({ totalMiB }) => totalMiB);
        setKnown((before) =>
          new Map(before).set(ask.key, {
            plans: plans.length,
            offBook: plans.filter(({ care }) => care === 'off-book').length,
            largestMiB: totals.length === 0 ? null : Math.max(...totals),
          }),
        );
      }
      if (data.state !== 'planning' && data.id === asks.length - 1) stop();
    };
    for (const [id, { one }] of asks.entries()) {
      const limits = limitsOfClaims(settled(claims, one));
      worker.postMessage({ id, planCase: caseUnder(planCase, limits) } satisfies PlanRequest);
    }
    return () => {
      clearTimeout(timer);
      worker.terminate();
    };
  }, [key]);
  return { known, working };
}
