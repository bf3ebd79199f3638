import type { PlanCase } from '@/core/planning/model/case';
import { packsAtATime } from '@/core/planning/model/machines';
import { offerOf } from '@/core/planning/model/offer-of';
import type { PlanChoice } from '@/core/planning/search/evaluate-choice';

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
