'use client';
import { useState } from 'react';
import { type FittingStep, needsPart } from '@/core/fitting/checklist';
import { useJob } from '../job/job-context';
import type { Bench } from './use-bench';

/** What the bench does about parts that are not here by the list. */
export interface PartsAtBench {
  isMissing: boolean;
  /** the step that was pressed although its part is not here; null: none waits for an answer */
  asking: string | null;
  /** says that a step waits for its part */
  waits: (step: FittingStep) => boolean;
  /** ticks a step; asks once before the first that needs what is not here */
  tick: (step: FittingStep) => void;
  /** the part is in hand after all: it is ticked, and nothing more is asked */
  confirm: () => void;
  cancel: () => void;
}

export function usePartsAtBench(bench: Bench): PartsAtBench {
  const { parts } = useJob().job.work;
  const [asking, setAsking] = useState<string | null>(null);
  const [isInHand, setInHand] = useState(false);
  const isMissing = !isInHand && parts.some(({ state }) => state !== 'arrived' && state !== 'aside');
  const waits = (step: FittingStep) => isMissing && needsPart(step) && !bench.ticks.has(step.key);
  return {
    isMissing,
    asking,
    waits,
    tick: (step) => {
      if (waits(step)) setAsking(step.key);
      else void bench.tick(step.key);
    },
    confirm: () => {
      if (asking === null) return;
      setInHand(true);
      setAsking(null);
      void bench.tick(asking);
    },
    cancel: () => setAsking(null),
  };
}
