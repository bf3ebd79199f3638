import type { Goal, PlanCase } from '../model/case';
import { Planner } from '../search/planner';
import { nearestPlans } from './broken-wishes';
import { explainOffer } from './explain-offer';
import { nearestSentence, offerSentences, planLine } from './explain-words';
import { nothingFits } from './nothing-fits';
import { remediesFor, remedySentence } from './remedies';

/** What somebody asks: why an offer is not there, or why a wish is not met. */
export type WhyNot = { offer: string } | { wish: Goal };

/** Why an offer is in no plan, or in which, and what would have to change, line by line; empty: there is no such offer. */
function whyNotOffer(planCase: PlanCase, id: string): string[] {
  const explained = explainOffer(planCase, id);
  if (explained === null) return [];
  const [first = '', ...rest] = offerSentences(planCase, explained);
  const helps = remediesFor(planCase, id, explained).map((remedy) => remedySentence(planCase, remedy));
  return [`It ${first}`, ...rest, ...helps];
}

/** Which plans meet a wish, the cheapest first; where none does, those that miss one part of it least, or why there is none at all. */
function whyNotWish(planCase: PlanCase, wish: Goal): string[] {
  const wished = { ...planCase, goal: wish };
  const plans = new Planner(wished).answer().plans.sort((a, b) => a.priceCents - b.priceCents);
  const [cheapest] = plans;
  if (cheapest !== undefined) {
    const many = plans.length === 1 ? 'One plan meets' : `${plans.length} plans meet`;
    return [`${many} it. The cheapest: ${planLine(planCase, cheapest)}.`];
  }
  const nearest = nearestPlans(wished).map((near) => nearestSentence(planCase, near));
  if (nearest.length > 0) return ['No plan meets these wishes. The nearest, each missing one of them:', ...nearest];
  const nothing = nothingFits(planCase);
  return nothing.length > 0 ? nothing : ['No plan meets these wishes, nor one that misses only one of them.'];
}

/** Answers why something is not on the ladder, line by line; every change that is said to help was tried by planning again. */
export function whyNot(planCase: PlanCase, asked: WhyNot): string[] {
  return 'offer' in asked ? whyNotOffer(planCase, asked.offer) : whyNotWish(planCase, asked.wish);
}
