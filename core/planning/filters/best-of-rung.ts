import { moneyText } from '../../pricing/money-text';
import { percentText } from '../../pricing/percent-text';
import { careLevel } from '../rules/care';
import type { Plan } from '../search/plan';

/** Plans within this much of the least price, in hundredths of a percent, count as equally cheap, unless the shop says otherwise. */
export const USUAL_TOLERANCE_BP = 500;

/** What decides between plans that count as equally cheap, in this order; below 0: `a` is the better. */
const DECIDERS: readonly { words: string; compare: (a: Plan, b: Plan) => number }[] = [
  { words: 'the least care', compare: (a, b) => careLevel(a.care) - careLevel(b.care) },
  { words: 'the most bandwidth', compare: (a, b) => b.bandwidthMBs - a.bandwidthMBs },
  { words: 'the most free slots', compare: (a, b) => b.openSlots - a.openSlots },
  { words: 'the least price', compare: (a, b) => a.priceCents - b.priceCents },
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

/** Why the best of some plans is that: what the rule found, in a sentence. Empty where there is no plan. */
export function whyBest(plans: readonly Plan[], currency: string, toleranceBp = USUAL_TOLERANCE_BP): string {
  const best = bestOfRung(plans, toleranceBp);
  if (best === null) return '';
  const { least, near } = nearLeast(plans, toleranceBp);
  const within = `within ${percentText(toleranceBp)} of the least price, ${moneyText(least, currency)}`;
  if (near.length === 1) return plans.length === 1 ? 'The only plan here.' : `The only plan ${within}.`;
  let left = near;
  const used: string[] = [];
  for (const { words, compare } of DECIDERS) {
    const still = left.filter((plan) => compare(plan, best) === 0);
    if (still.length < left.length) used.push(words);
    left = still;
  }
  const [first, ...rest] = used;
  const then = rest.map((words) => `, of those ${words}`).join('');
  return `Of ${near.length} plans ${within}, ${first === undefined ? 'all alike' : `it has ${first}${then}`}.`;
}
