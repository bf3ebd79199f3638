'use client';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import type { JobSlot } from '@/core/machine/job-slot';
import type { Plan } from '@/core/planning/plan';
import type { JobView } from './job-view';

type Keep = JobSlot['keep'];

interface JobContext {
  job: JobView;
  /** shows what becomes of a module before the job says so; null: what the job says holds again */
  foretell: (slot: string, keep: Keep | null, isSaved?: boolean) => void;
  /** the plan that is looked at, shown on the slot board beside today */
  looked: Plan | null;
  look: (plan: Plan | null) => void;
}

const Context = createContext<JobContext | null>(null);
/** What becomes of modules, by slot. */
type Foretold = ReadonlyMap<string, { keep: Keep; isSaved: boolean }>;
const NOTHING: Foretold = new Map();

/** A job in which other modules stay or go, its planning case too. */
function withKeep(job: JobView, foretold: Foretold): JobView {
  if (foretold.size === 0) return job;
  const { planCase } = job;
  return {
    ...job,
    slots: job.slots.map((slot) => ({ ...slot, keep: foretold.get(slot.name)?.keep ?? slot.keep })),
    planCase: planCase && {
      ...planCase,
      installed: planCase.installed.map((one) => ({ ...one, keep: foretold.get(one.slot)?.keep ?? one.keep })),
    },
  };
}

/** The job on screen and the plan that is looked at, shared by station, slot board and slip. */
export function JobProvider({ job: saved, children }: { job: JobView; children: ReactNode }) {
  const [looked, look] = useState<Plan | null>(null);
  const [foretold, setForetold] = useState<Foretold>(NOTHING);
  const job = useMemo(() => withKeep(saved, foretold), [saved, foretold]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a job that comes anew says by itself what was saved
  useEffect(() => {
    setForetold((before) => {
      const left = [...before].filter(([, { isSaved }]) => !isSaved);
      return left.length === before.size ? before : new Map(left);
    });
  }, [saved]);
  const foretell = useCallback((slot: string, keep: Keep | null, isSaved = false) => {
    setForetold((before) => {
      const next = new Map(before);
      if (keep === null) next.delete(slot);
      else next.set(slot, { keep, isSaved });
      return next;
    });
  }, []);
  const value = useMemo(() => ({ job, foretell, looked, look }), [job, foretell, looked]);
  return <Context value={value}>{children}</Context>;
}

export function useJob(): JobContext {
  const value = useContext(Context);
  if (value === null) throw new Error('no job on this screen');
  return value;
}
