import { useMemo } from 'react';
import { suggestTarget } from '@/core/machine/suggest-target';
import type { AskedFor } from '@/core/planning/filters/suggest-three';
import { useJob } from '../../job/job-context';

/** How much the customer's uses, what is in use and the system ask for; null: nothing is known to go by. */
export function useTarget(todayMiB: number): AskedFor | null {
  const { job } = useJob();
  const { wants, needs } = job;
  return useMemo(() => {
    const { targetMiB, reasons } = suggestTarget(wants, needs, todayMiB);
    const [reason] = reasons;
    if (targetMiB === null || reason === undefined) return null;
    const name = reason.because === 'use' ? reason.use : reason.because === 'system' ? reason.os : '';
    return { by: reason.because, name, needMiB: targetMiB };
  }, [wants, needs, todayMiB]);
}
