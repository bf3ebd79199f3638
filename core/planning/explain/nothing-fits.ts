import { generationText, kindWords } from '../../memory/module-words';
import type { Offer, PlanCase } from '../model/case';
import type { OfferRefusal } from '../rules/refuse-offer';
import { Planner } from '../search/planner';
import { explainOffer } from './explain-offer';
import { offerSentences } from './explain-words';
import { REFUSAL_WORDS } from './refusal-words';

const offersText = (count: number): string => (count === 1 ? '1 offer' : `${count} offers`);

/** What a machine takes, in the words of a label: `DDR4 DIMM, registered ECC or unbuffered`. */
export function takenText({ generations, form, kinds, voltagesMv }: PlanCase['machine']): string {
  const names = generations.map((generation) => generationText({ generation, voltagesMv }));
  const words = kinds.map(({ buffering, ecc }) => kindWords(buffering, ecc) || 'unbuffered without ECC');
  return `${names.join(' or ')} ${form}, ${[...new Set(words)].join(' or ')}`;
}

/** How many offers each reason shuts out, the commonest first: by their first reason, so that each counts once. */
function reasonLines(refused: readonly { codes: readonly OfferRefusal[] }[]): string[] {
  const counts = new Map<OfferRefusal, number>();
  for (const { codes } of refused) {
    const [first] = codes;
    if (first !== undefined) counts.set(first, (counts.get(first) ?? 0) + 1);
  }
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .map(([code, count]) => `${offersText(count)}: ${REFUSAL_WORDS[code]}.`);
}

/** The cheapest of offers. */
function cheapestOf(offers: readonly Offer[]): Offer | undefined {
  return [...offers].sort((a, b) => a.priceCents - b.priceCents)[0];
}

/**
 * Where a machine has no plan whatever is wished for: why, line by line, and what it takes instead.
 *
 * @returns nothing where there are plans without any wish
 */
export function nothingFits(planCase: PlanCase): string[] {
  const open = { ...planCase, goal: null };
  const { plans, refusedOffers } = new Planner(open).answer();
  if (plans.length > 0) return [];
  const takes = `It takes ${takenText(planCase.machine)}.`;
  if (planCase.offers.length === 0) return ['Nothing like it is on offer.', takes];
  const refused = new Set(refusedOffers.map(({ offer }) => offer));
  const fitting = planCase.offers.filter(({ id }) => !refused.has(id));
  const cheapest = cheapestOf(fitting);
  if (cheapest === undefined) return ['No offer goes into this machine.', takes, ...reasonLines(refusedOffers)];
  const explained = explainOffer(open, cheapest.id);
  const why = explained === null ? [] : offerSentences(open, explained);
  return [
    'Nothing on offer gives this machine more than it has today.',
    ...why.slice(0, 1).map((sentence) => `The cheapest that goes in, ${cheapest.label}, ${sentence}`),
    ...(refusedOffers.length === 0 ? [] : [takes, ...reasonLines(refusedOffers)]),
  ];
}
