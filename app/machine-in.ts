import { CASE_LIMITS } from '@/core/planning/model/case-limits';

/** Which of a job's equal machines an address means, from 1; the first where it names none. */
export function machineIn(query: { get: (name: string) => string | null }): number {
  const asked = query.get('machine');
  const machine = asked !== null && /^\d{1,2}$/.test(asked) ? Number(asked) : 1;
  return Math.min(Math.max(machine, 1), CASE_LIMITS.machines);
}
