import type { Goal, PlanCase } from '../model/case';
import { CASE_LIMITS } from '../model/case-limits';
import type { Plan } from '../search/plan';
import { Planner } from '../search/planner';

/** What a goal may wish for. */
const WISHES = ['minMiB', 'maxPriceCents', 'minOpenSlots', 'minRateMTs', 'lanes', 'without', 'maxOffers'] as const;
export type Wish = (typeof WISHES)[number];

/** How far a plan is from a wish, in the wish's own unit (for lanes, offers left out and their number: 1); 0: it is met. */
const BROKEN_BY: Record<Wish, (goal: Goal, plan: Plan) => number> = {
  minMiB: ({ minMiB }, plan) => Math.max(0, (minMiB ?? 0) - plan.totalMiB),
  maxPriceCents: ({ maxPriceCents }, plan) =>
    maxPriceCents == null ? 0 : Math.max(0, plan.priceCents - maxPriceCents),
  minOpenSlots: ({ minOpenSlots }, plan) => Math.max(0, (minOpenSlots ?? 0) - plan.openSlots),
  minRateMTs: ({ minRateMTs }, plan) => Math.max(0, (minRateMTs ?? 0) - plan.rateMTs),
  lanes: ({ lanes }, plan) => (lanes == null || lanes.includes(plan.lane) ? 0 : 1),
  without: ({ without }, plan) => (plan.bought.some(({ offer }) => without?.includes(offer)) ? 1 : 0),
  maxOffers: ({ maxOffers }, plan) => (maxOffers != null && plan.bought.length > maxOffers ? 1 : 0),
};

/** How far a plan is from each wish of a goal that it does not meet. */
export function brokenWishes(goal: Goal, plan: Plan): { wish: Wish; by: number }[] {
  return WISHES.flatMap((wish) => {
    const by = BROKEN_BY[wish](goal, plan);
    return by > 0 ? [{ wish, by }] : [];
  });
}

/** A plan that meets all wishes but one, and that one least missed. */
export interface NearestPlan {
  wish: Wish;
  /** how far it is from the wish, see {@link brokenWishes} */
  by: number;
  plan: Plan;
}

/** The goal without one of its wishes; null where it does not wish that. */
function withoutWish(goal: Goal, wish: Wish): Goal | null {
  if (goal[wish] == null) return null;
  // Without a bound there may be as many offers as a case allows.
  return { ...goal, [wish]: wish === 'maxOffers' ? CASE_LIMITS.offersInPlan : null };
}

/**
 * Where no plan meets a goal: for each of its wishes the plan that meets all others and misses this one least, of several the
 * cheapest. Wishes that must be broken together with others have none.
 */
export function nearestPlans(planCase: PlanCase): NearestPlan[] {
  const goal = planCase.goal ?? {};
  const planner = new Planner(planCase);
  return WISHES.flatMap((wish): NearestPlan[] => {
    const wider = withoutWish(goal, wish);
    if (wider === null) return [];
    planner.change({ goal: wider });
    const missed = planner.answer().plans.map((plan) => ({ wish, by: BROKEN_BY[wish](goal, plan), plan }));
    const [nearest] = missed.sort((a, b) => a.by - b.by || a.plan.priceCents - b.plan.priceCents);
    return nearest === undefined ? [] : [nearest];
  });
}
