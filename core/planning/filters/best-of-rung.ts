import { careLevel } from '../rules/care';
import type { Plan } from '../search/plan';

/** Plans within this much of the least price, in hundredths of a percent, count as equally cheap, unless the shop says otherwise. */
export const USUAL_TOLERANCE_BP = 500;

/** What may decide between plans that count as equally cheap. */
type Decider = 'caution' | 'bandwidth' | 'slots' | 'price';

/** What decides between plans that count as equally cheap, in this order; below 0: `a` is the better. */
const DECIDERS: readonly { by: Decider; compare: (a: Plan, b: Plan) => number }[] = [
  { by: 'caution', compare: (a, b) => careLevel(a.care) - careLevel(b.care) },
  { by: 'bandwidth', compare: (a, b) => b.bandwidthMBs - a.bandwidthMBs },
  { by: 'slots', compare: (a, b) => b.openSlots - a.openSlots },
  { by: 'price', compare: (a, b) => a.priceCents - b.priceCents },
];

/** Those that count as equally cheap as the cheapest. */
function nearLeast(plans: readonly Plan[], toleranceBp: number): { least: number; near: Plan[] } {
  const least = Math.min(...plans.map((plan) => plan.priceCents));
  const near = plans.filter((plan) => (plan.priceCents - least) * 10_000 <= Math.abs(least) * toleranceBp);
  return { least, near };
}

/**
 * The plan of a rung that is written out: of those within a tolerance of the least price the one with the least care, then
 * the most bandwidth, then the most free slots, then the least price.
 *
 * @param toleranceBp hundredths of a percent
 */
export function bestOfRung(plans: readonly Plan[], toleranceBp = USUAL_TOLERANCE_BP): Plan | null {
  const { near } = nearLeast(plans, toleranceBp);
  const [best] = near.sort((a, b) => {
    for (const { compare } of DECIDERS) {
      const sign = compare(a, b);
      if (sign !== 0) return sign;
    }
    return 0;
  });
  return best ?? null;
}

/** Why the best of some plans is that. */
export interface WhyBest {
  /** it is the only plan there is */
  isAlone: boolean;
  /** the least price, minor units */
  leastCents: number;
  /** so many plans count as equally cheap */
  near: number;
  /** what decided between those, in this order */
  deciders: Decider[];
}

/** What the rule found; null where there is no plan. */
export function whyBest(plans: readonly Plan[], toleranceBp = USUAL_TOLERANCE_BP): WhyBest | null {
  const best = bestOfRung(plans, toleranceBp);
  if (best === null) return null;
  const { least, near } = nearLeast(plans, toleranceBp);
  let left = near;
  const deciders: Decider[] = [];
  for (const { by, compare } of DECIDERS) {
    const still = left.filter((plan) => compare(plan, best) === 0);
    if (still.length < left.length) deciders.push(by);
    left = still;
  }
  return { isAlone: plans.length === 1, leastCents: least, near: near.length, deciders };
}
