import type { PlanCase } from '@/core/planning/model/case';
import { packsAtATime } from '@/core/planning/model/machines';
import { offerOf } from '@/core/planning/model/offer-of';
import type { PlanChoice } from '@/core/planning/search/evaluate-choice';
import type { Plan } from '@/core/planning/search/plan';

/** What a machine has today, as a set. */
export const setToday = ({ installed }: PlanCase): PlanChoice => ({
  kept: installed.map(({ slot }) => slot),
  bought: [],
});

/**
 * A set with more or fewer packs of an offer, so many as serve all machines alike; offers stand in the order of the case.
 *
 * @param times how often so many more, below 0: fewer
 */
export function withPacks(planCase: PlanCase, set: PlanChoice, id: string, times = 1): PlanChoice {
  const added = offerOf(planCase.offers, id);
  if (added === undefined) return { kept: set.kept, bought: set.bought };
  const counts = new Map(set.bought.map(({ offer, count }) => [offer, count]));
  counts.set(id, (counts.get(id) ?? 0) + times * packsAtATime(planCase, added));
  const bought = planCase.offers.flatMap(({ id: offer }) => {
    const count = counts.get(offer) ?? 0;
    return count > 0 ? [{ offer, count }] : [];
  });
  return { kept: set.kept, bought };
}

/**
 * A set with a pack of an offer in place of what is in a slot: the module that stays there comes out, or a pack of what is
 * bought for it is left. Where the modules go in the end is said by the plan.
 *
 * @param plan what the set makes; null: nothing, so the slot holds what is in it today
 */
export function withOfferAt(
  planCase: PlanCase,
  set: PlanChoice,
  plan: Pick<Plan, 'placement'> | null,
  { slot, offer }: { slot: string; offer: string },
): PlanChoice {
  const seat = plan === null ? { kept: slot } : plan.placement[slot];
  if (seat === undefined) return withPacks(planCase, set, offer);
  if ('kept' in seat) return withPacks(planCase, { ...set, kept: set.kept.filter((one) => one !== seat.kept) }, offer);
  return seat.offer === offer ? set : withPacks(planCase, withPacks(planCase, set, seat.offer, -1), offer);
}
