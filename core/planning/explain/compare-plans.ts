import { capacityText } from '../../memory/capacity';
import { careLevel } from '../rules/care';
import type { Plan } from '../search/plan';
import { effectiveChannelsText } from './channel-words';

/** A plan with what is not in the plan itself. */
export interface Compared {
  plan: Plan;
  /** modules that are in the machine today */
  installed: number;
  /** days until all of it is here; 0: here now */
  leadDays: number;
}

/** What one plan gives more, or less, than another. */
export interface Step {
  /** how much dearer it is, minor units; below 0: cheaper */
  cents: number;
  gains: string[];
  /** each a verb with what is done less well */
  losses: string[];
  /** days that it is here later; below 0: sooner */
  laterDays: number;
}

/** A figure in which plans can differ: what is better, how that is said of the better one, and what the other does instead. */
interface Figure {
  of: (one: Compared) => number;
  /** what is bought: "+18 buys …" */
  gain: (better: Compared, worse: Compared) => string;
  /** what is done less well: "but …" */
  loss: (worse: Compared, better: Compared) => string;
}

const count = (many: number, one: string, more: string): string => (many === 1 ? one : `${many} ${more}`);

const slotsGained = (better: Plan, worse: Plan): string =>
  worse.openSlots === 0
    ? count(better.openSlots, 'a free slot', 'free slots')
    : count(better.openSlots - worse.openSlots, 'one more free slot', 'more free slots');

const FIGURES: readonly Figure[] = [
  {
    of: ({ plan }) => plan.totalMiB,
    gain: (better, worse) => `${capacityText(better.plan.totalMiB - worse.plan.totalMiB)} more`,
    loss: (worse, better) => `has ${capacityText(better.plan.totalMiB - worse.plan.totalMiB)} less`,
  },
  {
    of: ({ plan }) => plan.effectiveChannels,
    gain: ({ plan }) => effectiveChannelsText(plan.effectiveChannels),
    loss: ({ plan }, better) =>
      `has ${effectiveChannelsText(plan.effectiveChannels)} instead of ${effectiveChannelsText(better.plan.effectiveChannels)}`,
  },
  {
    of: ({ plan }) => plan.rateMTs,
    gain: (better, worse) => `${better.plan.rateMTs} instead of ${worse.plan.rateMTs} MT/s`,
    loss: (worse, better) => `runs at ${worse.plan.rateMTs} instead of ${better.plan.rateMTs} MT/s`,
  },
  {
    of: ({ plan }) => plan.openSlots,
    gain: (better, worse) => slotsGained(better.plan, worse.plan),
    loss: (worse, better) =>
      `leaves ${count(better.plan.openSlots - worse.plan.openSlots, 'one free slot', 'free slots')} less`,
  },
  {
    of: ({ plan }) => -careLevel(plan.care),
    gain: ({ plan }, worse) =>
      plan.care === 'clear' ? 'nothing to mind' : `${plan.care} instead of ${worse.plan.care}`,
    loss: ({ plan }, better) => `is ${plan.care} instead of ${better.plan.care}`,
  },
  {
    of: ({ plan }) => plan.kept.length,
    gain: (better, worse) =>
      better.plan.kept.length === better.installed
        ? `${better.installed === 1 ? 'the old module' : 'all old modules'} kept`
        : count(better.plan.kept.length - worse.plan.kept.length, 'one more old module kept', 'more old modules kept'),
    loss: (worse, better) =>
      `takes out ${count(better.plan.kept.length - worse.plan.kept.length, 'one more old module', 'more old modules')}`,
  },
];

/** What a plan gives against another. */
export function stepBetween(from: Compared, to: Compared): Step {
  const gains = FIGURES.filter(({ of }) => of(to) > of(from)).map(({ gain }) => gain(to, from));
  const losses = FIGURES.filter(({ of }) => of(to) < of(from)).map(({ loss }) => loss(to, from));
  return { cents: to.plan.priceCents - from.plan.priceCents, gains, losses, laterDays: to.leadDays - from.leadDays };
}

/**
 * What the dearer of two buys or gives up, in a sentence: `+€18.00 buys dual channel and a free slot, but takes out one more old module`.
 *
 * @param price writes an amount
 */
export function stepText({ cents, gains, losses, laterDays }: Step, price: (cents: number) => string): string {
  const sooner = laterDays < 0 ? [`${count(-laterDays, 'a day', 'days')} less to wait`] : [];
  const buys = [...gains, ...sooner];
  const later = laterDays > 0 ? [`comes ${count(laterDays, 'a day', 'days')} later`] : [];
  const lost = [...losses, ...later];
  const lead = cents === 0 ? 'For the same price' : `${cents > 0 ? '+' : '−'}${price(Math.abs(cents))}`;
  if (buys.length + lost.length === 0) return `${lead}: alike in everything else.`;
  if (buys.length === 0) return `${lead} buys nothing: it ${listed(lost)}.`;
  return `${lead} buys ${listed(buys)}${lost.length === 0 ? '' : `, but ${listed(lost)}`}.`;
}

/** Words as a person lists them: `a`, `a and b`, `a, b and c`. */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words[0] ?? '';
  return `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
