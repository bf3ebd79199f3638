import type { Goal, Offer } from '../model/case';
import { LANES, type Lane } from '../model/lanes';
import type { Plan } from '../search/plan';
import { filteredBy, filtersSet, type OfferFacts, type OfferFilters, UNFILTERED } from './offer-filters';

/** How the plans of a job are narrowed down. Capacities MiB, rates MT/s, money minor units. */
export interface Steering extends OfferFilters {
  needMiB: number | null;
  budgetCents: number | null;
  /** slots that are to stay free, at least */
  freeSlots: number;
  leastRateMTs: number | null;
  /** lanes that are not wanted */
  lanesOut: readonly Lane[];
}

/** How the ladder is steered, with what else shuts plans out of it. */
export interface LadderBounds extends Steering {
  /** days that what a plan buys comes after the day on which it is needed; left out: no day is named */
  lateBy?: (plan: Pick<Plan, 'bought'>) => number;
}

/** Everything is wanted. */
export const UNSTEERED: Steering = {
  needMiB: null,
  budgetCents: null,
  freeSlots: 0,
  leastRateMTs: null,
  lanesOut: [],
  ...UNFILTERED,
};

/**
 * What the planner itself has to know of it: need, budget and free slots only shut plans out, the others bring in plans that
 * were beaten before.
 *
 * @param factsOf what is known of an offer; undefined: nobody knows
 * @param inDays days until it is needed; null: no day is named
 */
export function goalOf(
  { leastRateMTs, lanesOut, ...filters }: Steering,
  offers: readonly Offer[],
  factsOf: (offer: string) => OfferFacts | undefined,
  inDays: number | null,
): Goal {
  const lanes = LANES.filter((lane) => !lanesOut.includes(lane));
  const by = filteredBy(filters, factsOf, inDays);
  const without = filtersSet(filters) === 0 ? [] : offers.filter((offer) => by(offer) !== null).map(({ id }) => id);
  return {
    ...(leastRateMTs !== null && { minRateMTs: leastRateMTs }),
    ...(lanes.length < LANES.length && { lanes }),
    ...(without.length > 0 && { without }),
  };
}

/** What a plan misses of a need, a budget, free slots or a day that are wanted; null: nothing. */
export type Missed =
  | { what: 'need'; mib: number }
  | { what: 'budget'; cents: number }
  | { what: 'free'; slots: number }
  | { what: 'late'; days: number };

/** The first of these that a plan misses, and by how much. */
export function missedBy({ needMiB, budgetCents, freeSlots, lateBy }: LadderBounds, plan: Plan): Missed | null {
  if (needMiB !== null && plan.totalMiB < needMiB) return { what: 'need', mib: needMiB - plan.totalMiB };
  if (budgetCents !== null && plan.priceCents > budgetCents) {
    return { what: 'budget', cents: plan.priceCents - budgetCents };
  }
  if (plan.openSlots < freeSlots) return { what: 'free', slots: freeSlots - plan.openSlots };
  const days = lateBy?.(plan) ?? 0;
  return days > 0 ? { what: 'late', days } : null;
}
