import type { Goal, PlanCase } from '../core/planning/model/case';
import { LANES } from '../core/planning/model/lanes';
import { boardRates } from '../core/planning/rules/board-rates';

/** So many rates are looked at ahead: the highest. */
const MOST_RATES = 8;

/** The same text for the same wishes, in whatever order they were written. */
export function goalKey(goal: Goal | null | undefined): string {
  const wishes = Object.entries(goal ?? {}).filter(([, wish]) => wish != null);
  return JSON.stringify(wishes.sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** Goals that are one turn of a hand away from a case's own: another least rate, or one lane more or less. */
export function likelyGoals(planCase: PlanCase): Goal[] {
  const goal = planCase.goal ?? {};
  const { minRateMTs, ...anyRate } = goal;
  const rates = boardRates(planCase).slice(-MOST_RATES);
  const otherRates: Goal[] = [anyRate, ...rates.map((rate) => ({ ...anyRate, minRateMTs: rate }))];
  const { lanes, ...everyLane } = goal;
  const open = lanes ?? LANES;
  const otherLanes = LANES.flatMap((turned): Goal[] => {
    const left = LANES.filter((lane) => open.includes(lane) !== (lane === turned));
    if (left.length === 0) return [];
    return [left.length === LANES.length ? everyLane : { ...everyLane, lanes: left }];
  });
  const own = goalKey(goal);
  return [...otherLanes, ...otherRates].filter((one) => goalKey(one) !== own);
}
