import type { Offer, PlanCase } from '../model/case';
import type { OfferRefusal } from '../rules/refuse-offer';
import { Planner } from '../search/planner';
import { explainOffer, type OfferExplained } from './explain-offer';

/** Why a machine has no plan whatever is wished for. */
export type NothingFits =
  | { why: 'no-offers' }
  /** how many offers each reason shuts out, the commonest first: by their first reason, so that each counts once */
  | { why: 'none-goes'; refused: { code: OfferRefusal; count: number }[] }
  | {
      why: 'no-gain';
      cheapest: string;
      explained: OfferExplained | null;
      refused: { code: OfferRefusal; count: number }[];
    };

function reasonCounts(refused: readonly { codes: readonly OfferRefusal[] }[]): { code: OfferRefusal; count: number }[] {
  const counts = new Map<OfferRefusal, number>();
  for (const { codes } of refused) {
    const [first] = codes;
    if (first !== undefined) counts.set(first, (counts.get(first) ?? 0) + 1);
  }
  return [...counts].sort(([, a], [, b]) => b - a).map(([code, count]) => ({ code, count }));
}

/** The cheapest of offers. */
function cheapestOf(offers: readonly Offer[]): Offer | undefined {
  return [...offers].sort((a, b) => a.priceCents - b.priceCents)[0];
}

/** Why a machine has no plan whatever is wished for; null: it has some. */
export function whyNothingFits(planCase: PlanCase): NothingFits | null {
  const open = { ...planCase, goal: null };
  const { plans, refusedOffers } = new Planner(open).answer();
  if (plans.length > 0) return null;
  if (planCase.offers.length === 0) return { why: 'no-offers' };
  const out = new Set(refusedOffers.map(({ offer }) => offer));
  const cheapest = cheapestOf(planCase.offers.filter(({ id }) => !out.has(id)));
  const refused = reasonCounts(refusedOffers);
  if (cheapest === undefined) return { why: 'none-goes', refused };
  return { why: 'no-gain', cheapest: cheapest.label, explained: explainOffer(open, cheapest.id), refused };
}
