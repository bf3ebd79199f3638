import type { Goal, PlanCase } from '../model/case';
import type { Plan } from '../search/plan';
import { Planner } from '../search/planner';
import { type NearestPlan, nearestPlans } from './broken-wishes';
import { explainOffer, type OfferExplained } from './explain-offer';
import { nearestSentence, offerSentences } from './explain-words';
import { type NothingFits, nothingLines, whyNothingFits } from './nothing-fits';
import type { PlanSay } from './plan-say';
import { planLine } from './plan-words';
import { type Remedy, remediesFor, remedySentence } from './remedies';

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

/** The answer line by line; empty: there is no such offer. */
export function whyNotLines(say: PlanSay, planCase: PlanCase, answer: WhyNotAnswer): string[] {
  const { t } = say;
  switch (answer.is) {
    case 'unknown':
      return [];
    case 'offer': {
      const helps = answer.helps.map((remedy) => remedySentence(say, remedy));
      return [...offerSentences(say, planCase, answer.explained), ...helps];
    }
    case 'met':
      return [t('meets', { count: answer.plans, plan: planLine(say, planCase, answer.cheapest) })];
    case 'near':
      return [t('noneMeets'), ...answer.plans.map((near) => nearestSentence(say, planCase, near))];
    case 'nothing':
      return nothingLines(say, planCase, answer.nothing);
    case 'none':
      return [t('noneNear')];
  }
}
