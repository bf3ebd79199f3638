import type { PlanCase } from './case';

/** The case as it is for parts to take home, or for what is fitted here. */
export const caseFor = (planCase: PlanCase, partsOnly: boolean): PlanCase =>
  partsOnly ? withoutFitting(planCase) : planCase;

/** The case where nothing is fitted here: no work is asked for, and no module that comes out is taken back. */
export function withoutFitting(planCase: PlanCase): PlanCase {
  const { labourCents: _, ...rest } = planCase;
  return { ...rest, installed: planCase.installed.map(({ creditCents: __, ...one }) => one) };
}
