import { CARES } from './care';
import type { Plan } from './plan';

/** Plans within this much of the least price, in hundredths of a percent, count as equally cheap. */
const TOLERANCE_BP = 500;

/**
 * The plan of a rung that is written out: of those within 5 % of the least price the one with the least care, then
 * the most bandwidth, then the most free slots, then the least price.
 */
export function bestOfRung(plans: readonly Plan[]): Plan | null {
  const least = Math.min(...plans.map((plan) => plan.priceCents));
  const near = plans.filter((plan) => (plan.priceCents - least) * 10_000 <= Math.abs(least) * TOLERANCE_BP);
  const [best] = [...near].sort(
    (a, b) =>
      CARES.indexOf(a.care) - CARES.indexOf(b.care) ||
      b.bandwidthMBs - a.bandwidthMBs ||
      b.openSlots - a.openSlots ||
      a.priceCents - b.priceCents,
  );
  return best ?? null;
}
