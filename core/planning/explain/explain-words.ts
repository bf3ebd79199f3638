import { capacityText } from '../../memory/capacity';
import { moneyText } from '../../pricing/money-text';
import type { PlanCase } from '../model/case';
import { offerOf } from '../model/offer-of';
import type { OfferRefusal } from '../rules/refuse-offer';
import type { Plan } from '../search/plan';
import type { NearestPlan, Wish } from './broken-wishes';
import type { OfferExplained, RefusedBecause } from './explain-offer';
import type { PlanExplained, RateCause } from './explain-plan';
import { boughtText, fateText, runText } from './plan-words';
import { REFUSAL_WORDS } from './refusal-words';
import type { SetRefusal } from './set-refusals';

/** Why a set cannot be, as a technician reads it. */
export const SET_REFUSAL_WORDS: Record<SetRefusal, string> = {
  slots: 'more modules than sockets',
  'generation-mix': 'two generations together',
  'buffering-mix': 'buffered and unbuffered modules together',
  voltage: 'no voltage that all of them share',
  total: 'more than the machine takes in all',
  'slot-size': 'larger than the sockets that would be left for it',
  ranks: 'more ranks than a channel takes',
  pairing: 'the banks could not be filled with equal modules',
  fill: 'the sockets could not be filled in the order that is required',
  rate: 'together they allow no rate that the board runs',
};

const labelOf = (planCase: PlanCase, id: string): string => offerOf(planCase.offers, id)?.label ?? id;

const RATE_WORDS: { [By in RateCause['by']]: (limit: Extract<RateCause, { by: By }>, planCase: PlanCase) => string } = {
  cpu: ({ maxRateMTs }) => `the CPU’s limit is ${maxRateMTs}`,
  load: ({ maxRateMTs, modulesInFullest }) =>
    `with ${modulesInFullest} module${modulesInFullest === 1 ? '' : 's'} in a channel the limit is ${maxRateMTs}`,
  kept: ({ slot, rateMTs }) => `the module in ${slot} is rated ${rateMTs}`,
  soldered: ({ slot, rateMTs }) => `the soldered memory at ${slot} is rated ${rateMTs}`,
  bought: ({ offer, rateMTs }, planCase) => `${labelOf(planCase, offer)} is rated ${rateMTs}`,
  board: ({ capMTs }) => `the board runs no rate between that and ${capMTs}`,
};

function limitText(limit: RateCause, planCase: PlanCase): string {
  const words = RATE_WORDS[limit.by] as (one: RateCause, of: PlanCase) => string;
  return words(limit, planCase);
}

const SHORT_RATE_WORDS: { [By in RateCause['by']]: (limit: Extract<RateCause, { by: By }>) => string } = {
  cpu: () => 'CPU’s limit',
  load: ({ modulesInFullest }) => `limit with ${modulesInFullest} in a channel`,
  kept: ({ slot }) => `as the module in ${slot}`,
  soldered: () => 'as the soldered memory',
  bought: () => 'as rated',
  board: () => 'board’s next lower rate',
};

/** What a plan's rate comes from, in a few words; empty where nothing is known of it. */
export function whyRate({ limits }: Pick<PlanExplained, 'limits'>): string {
  const [first] = limits;
  if (first === undefined) return '';
  const words = SHORT_RATE_WORDS[first.by] as (limit: RateCause) => string;
  return words(first);
}

/** A plan's figures with what they come from, a sentence each. */
export function planSentences(planCase: PlanCase, explained: PlanExplained): string[] {
  const { rateMTs, limits, ratedFaster, channels, moved } = explained;
  const faster = ratedFaster.map((one) => `${labelOf(planCase, one.offer)} is rated ${one.rateMTs}`);
  const each = channels.map(({ channel, mib }) => `${channel} ${mib === 0 ? 'empty' : capacityText(mib)}`);
  return [
    `Runs at ${rateMTs} MT/s: ${limits.map((limit) => limitText(limit, planCase)).join('; ')}.`,
    ...(faster.length === 0 ? [] : [`Faster than it can run here: ${faster.join('; ')}.`]),
    ...(channels.length < 2 ? [] : [`Channels: ${each.join(', ')}.`]),
    ...moved.map(({ from, to }) => `The module in ${from} moves to ${to}.`),
  ];
}

/** How a limit is said where the machine does not just take the named. */
const BOUNDS: Partial<Record<OfferRefusal, string>> = {
  'module-size': 'the machine takes up to',
  height: 'there is room for',
  density: 'the machine takes up to',
  rate: 'the slowest that the board runs is',
};
const CAPACITY_CODES: readonly OfferRefusal[] = ['module-failed', 'module-size'];
const UNITS: Partial<Record<OfferRefusal, string>> = { height: ' mm', density: ' Gbit', rate: ' MT/s', voltage: ' mV' };

function refusedText({ code, is, takes }: RefusedBecause): string {
  const value = (one: string | number) =>
    CAPACITY_CODES.includes(code) && typeof one === 'number' ? capacityText(one) : `${one}${UNITS[code] ?? ''}`;
  const bound = BOUNDS[code] ?? 'the machine takes';
  const numbers = [is === null ? '' : `it is ${value(is)}`, takes === null ? '' : `${bound} ${value(takes)}`];
  const told = numbers.filter((text) => text !== '').join(', ');
  return told === '' ? REFUSAL_WORDS[code] : `${REFUSAL_WORDS[code]} (${told})`;
}

const WISH_WORDS: Record<Wish, (by: number, currency: string) => string> = {
  minMiB: (by) => `${capacityText(by)} less than wished for`,
  maxPriceCents: (by, currency) => `${moneyText(by, currency)} over the budget`,
  minOpenSlots: (by) => `${by} fewer free slot${by === 1 ? '' : 's'} than wished for`,
  minRateMTs: (by) => `${by} MT/s slower than wished for`,
  lanes: () => 'of a lane that is left out',
  without: () => 'with an offer that is left out',
  maxOffers: () => 'with more different offers than wished for',
};

/** A plan in a line: what it ends at, costs, buys and leaves. */
export function planLine(planCase: PlanCase, plan: Plan): string {
  const price = moneyText(plan.priceCents, planCase.currency);
  return `${capacityText(plan.totalMiB)} for ${price}, ${runText(plan)}: ${boughtText(planCase, plan)}, ${fateText(planCase, plan)}`;
}

/** What one plan is better in than another that it beats, in words; empty: they are alike in all. */
function betterIn(better: Plan, other: Plan, currency: string): string[] {
  const more = better.totalMiB - other.totalMiB;
  const slots = better.openSlots - other.openSlots;
  return [
    ...(better.priceCents < other.priceCents
      ? [`costs ${moneyText(other.priceCents - better.priceCents, currency)} less`]
      : []),
    ...(more > 0 ? [`has ${capacityText(more)} more`] : []),
    ...(better.bandwidthMBs > other.bandwidthMBs
      ? [`carries ${better.bandwidthMBs} MB/s instead of ${other.bandwidthMBs}`]
      : []),
    ...(better.care !== other.care ? [`is ${better.care} instead of ${other.care}`] : []),
    ...(slots > 0 ? [`leaves ${slots} more slot${slots === 1 ? '' : 's'} free`] : []),
  ];
}

const OFFER_WORDS: {
  [Kind in OfferExplained['kind']]: (
    explained: Extract<OfferExplained, { kind: Kind }>,
    planCase: PlanCase,
  ) => string[];
} = {
  'in-plans': ({ plans }, planCase) => [
    `is in ${plans.length} plan${plans.length === 1 ? '' : 's'}, such as:`,
    ...plans.slice(0, 3).map((plan) => planLine(planCase, plan)),
  ],
  refused: ({ because }) => [`does not fit: ${because.map(refusedText).join('; ')}.`],
  'sold-out': () => ['is sold out.'],
  'left-out': () => ['is left out, as wished for.'],
  'no-room': ({ modules, free }) => [
    `has no room: it is a pack of ${modules}, and ${free} socket${free === 1 ? '' : 's'} can be free.`,
  ],
  'set-refused': ({ codes }) => [`fits into no set: ${codes.map((code) => SET_REFUSAL_WORDS[code]).join('; ')}.`],
  'no-gain': () => ['would give no more than there is today.'],
  'outside-goal': ({ plan, broken }, planCase) => [
    `is outside what is wished for: ${broken.map(({ wish, by }) => WISH_WORDS[wish](by, planCase.currency)).join('; ')}.`,
    `Its nearest plan: ${planLine(planCase, plan)}`,
  ],
  beaten: ({ own, by }, planCase) => {
    const better = betterIn(by, own, planCase.currency);
    return [
      better.length === 0 ? 'has a plan as good as this one, which is shown:' : 'is beaten by a plan that is shown:',
      planLine(planCase, by),
      ...(better.length === 0
        ? []
        : [`That ${better.join(', ')}; the best with this offer: ${planLine(planCase, own)}`]),
    ];
  },
};

/** Why an offer is in no plan, or in which, line by line; the first goes on from the offer's name. */
export function offerSentences(planCase: PlanCase, explained: OfferExplained): string[] {
  const words = OFFER_WORDS[explained.kind] as (one: OfferExplained, of: PlanCase) => string[];
  return words(explained, planCase);
}

/** A plan that misses one wish, in a line. */
export function nearestSentence(planCase: PlanCase, { wish, by, plan }: NearestPlan): string {
  return `${WISH_WORDS[wish](by, planCase.currency)}: ${planLine(planCase, plan)}`;
}
