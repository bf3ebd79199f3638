import type { Goal, PlanCase } from '../model/case';
import type { Plan } from '../search/plan';
import { Planner } from '../search/planner';
import { type NearestPlan, nearestPlans } from './broken-wishes';
import { explainOffer, type OfferExplained } from './explain-offer';
import { type NothingFits, whyNothingFits } from './nothing-fits';
import { type Remedy, remediesFor } from './remedies';

/** What somebody asks: why an offer is not there, or why a wish is not met. */
export type WhyNot = { offer: string } | { wish: Goal };

/** The answer; every change that is said to help was tried by planning again. */
export type WhyNotAnswer =
  /** there is no such offer */
  | { is: 'unknown' }
  | { is: 'offer'; explained: OfferExplained; helps: Remedy[] }
  | { is: 'met'; plans: number; cheapest: Plan }
  /** plans that miss one part of a wish least */
  | { is: 'near'; plans: NearestPlan[] }
  | { is: 'nothing'; nothing: NothingFits }
  | { is: 'none' };

function whyNotWish(planCase: PlanCase, wish: Goal): WhyNotAnswer {
  const wished = { ...planCase, goal: wish };
  const plans = new Planner(wished).answer().plans.sort((a, b) => a.priceCents - b.priceCents);
  const [cheapest] = plans;
  if (cheapest !== undefined) return { is: 'met', plans: plans.length, cheapest };
  const nearest = nearestPlans(wished);
  if (nearest.length > 0) return { is: 'near', plans: nearest };
  const nothing = whyNothingFits(planCase);
  return nothing === null ? { is: 'none' } : { is: 'nothing', nothing };
}

/** Answers why something is not on the ladder. */
export function whyNot(planCase: PlanCase, asked: WhyNot): WhyNotAnswer {
  if ('wish' in asked) return whyNotWish(planCase, asked.wish);
  const explained = explainOffer(planCase, asked.offer);
  if (explained === null) return { is: 'unknown' };
  return { is: 'offer', explained, helps: remediesFor(planCase, asked.offer, explained) };
}
