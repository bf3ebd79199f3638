'use client';
import { createContext, type ReactNode, useContext, useMemo, useState } from 'react';
import type { Plan } from '@/core/planning/plan';
import type { JobView } from './job-view';

interface JobContext {
  job: JobView;
  /** the plan that is looked at, shown on the slot board beside today */
  looked: Plan | null;
  look: (plan: Plan | null) => void;
}

const Context = createContext<JobContext | null>(null);

/** The job on screen and the plan that is looked at, shared by station, slot board and slip. */
export function JobProvider({ job, children }: { job: JobView; children: ReactNode }) {
  const [looked, look] = useState<Plan | null>(null);
  const value = useMemo(() => ({ job, looked, look }), [job, looked]);
  return <Context value={value}>{children}</Context>;
}

export function useJob(): JobContext {
  const value = useContext(Context);
  if (value === null) throw new Error('no job on this screen');
  return value;
}
