import { savingPercent } from '../pricing/saving';
import { bestOfRung } from './best-of-rung';
import type { Plan } from './plan';

/** The saving from the cheapest original plan of a rung to the best third-party plan of it. */
export interface Saving {
  fromCents: number;
  toCents: number;
  cents: number;
  /** whole percent, rounded down */
  percent: number;
}

/** All plans that end at one total capacity. */
export interface Rung {
  totalMiB: number;
  /** by price, then by lane and reuse */
  plans: Plan[];
  best: Plan;
  saving: Saving | null;
}

function savingOf(plans: readonly Plan[]): Saving | null {
  const originals = plans.filter((plan) => plan.lane === 'original').map((plan) => plan.priceCents);
  const other = bestOfRung(plans.filter((plan) => plan.lane === 'third-party'));
  if (originals.length === 0 || other === null) return null;
  const fromCents = Math.min(...originals);
  const cents = fromCents - other.priceCents;
  const percent = savingPercent(cents, other.priceCents);
  return percent === null ? null : { fromCents, toCents: other.priceCents, cents, percent };
}

/** Plans gathered into rungs, the lowest total first. */
export function rungsOf(plans: readonly Plan[]): Rung[] {
  const totals = [...new Set(plans.map((plan) => plan.totalMiB))].sort((a, b) => a - b);
  return totals.flatMap((totalMiB) => {
    const own = plans.filter((plan) => plan.totalMiB === totalMiB).sort((a, b) => a.priceCents - b.priceCents);
    const best = bestOfRung(own);
    return best === null ? [] : [{ totalMiB, plans: own, best, saving: savingOf(own) }];
  });
}

/** A name for a plan that stays the same when the case is planned again. */
export function planKey({ kept, bought }: Pick<Plan, 'kept' | 'bought'>): string {
  return `${kept.join('+')}|${bought.map(({ offer, count }) => `${count}x${offer}`).join('+')}`;
}
