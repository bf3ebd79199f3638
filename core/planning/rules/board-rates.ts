import { makeBoard } from '../model/board';
import type { PlanCase } from '../model/case';
import { effectiveLimits } from './effective-limits';

/** The rates that a machine may run at, MT/s, ascending: as its board says, else those of what is on offer, up to the CPU's most. */
export function boardRates(planCase: PlanCase): number[] {
  const { boardRates: said } = effectiveLimits(makeBoard(planCase));
  const told = said.length > 0 ? said : planCase.offers.map(({ module }) => module.rateMTs);
  const most = planCase.machine.cpu?.maxRateMTs ?? Number.POSITIVE_INFINITY;
  return [...new Set(told)].filter((rate) => rate <= most).sort((a, b) => a - b);
}
