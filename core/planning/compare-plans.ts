import { capacityText } from '../memory/capacity';
import { CARES } from './care';
import { effectiveChannelsText } from './channel-words';
import type { Plan } from './plan';

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
  losses: string[];
  /** days that it is here later; below 0: sooner */
  laterDays: number;
}

/** A figure in which plans can differ: what is better, and how it is said of the better one. */
interface Figure {
  of: (one: Compared) => number;
  /** how the better of two is said */
  words: (better: Compared, worse: Compared) => string;
}

const count = (many: number, one: string, more: string): string => (many === 1 ? one : `${many} ${more}`);

const FIGURES: readonly Figure[] = [
  {
    of: ({ plan }) => plan.totalMiB,
    words: (better, worse) => `${capacityText(better.plan.totalMiB - worse.plan.totalMiB)} more`,
  },
  {
    of: ({ plan }) => plan.effectiveChannels,
    words: ({ plan }) => effectiveChannelsText(plan.effectiveChannels),
  },
  {
    of: ({ plan }) => plan.rateMTs,
    words: (better, worse) => `${better.plan.rateMTs} instead of ${worse.plan.rateMTs} MT/s`,
  },
  {
    of: ({ plan }) => plan.openSlots,
    words: (better, worse) =>
      worse.plan.openSlots === 0
        ? count(better.plan.openSlots, 'a free slot', 'free slots')
        : count(better.plan.openSlots - worse.plan.openSlots, 'one more free slot', 'more free slots'),
  },
  {
    of: ({ plan }) => -CARES.indexOf(plan.care),
    words: ({ plan }, worse) =>
      plan.care === 'clear' ? 'nothing to mind' : `${plan.care} instead of ${worse.plan.care}`,
  },
  {
    of: ({ plan }) => plan.kept.length,
    words: (better, worse) =>
      better.plan.kept.length === better.installed
        ? 'all old modules stay'
        : count(better.plan.kept.length - worse.plan.kept.length, 'one more old module stays', 'more old modules stay'),
  },
];

/** What a plan gives against another. */
export function stepBetween(from: Compared, to: Compared): Step {
  const gains = FIGURES.filter(({ of }) => of(to) > of(from)).map(({ words }) => words(to, from));
  const losses = FIGURES.filter(({ of }) => of(to) < of(from)).map(({ words }) => words(from, to));
  return { cents: to.plan.priceCents - from.plan.priceCents, gains, losses, laterDays: to.leadDays - from.leadDays };
}

/**
 * What the dearer of two buys or gives up, in a sentence: `+€18.00 buys dual channel and a free slot, but gives up ...`.
 *
 * @param price writes an amount
 */
export function stepText({ cents, gains, losses, laterDays }: Step, price: (cents: number) => string): string {
  const sooner = laterDays < 0 ? [`${count(-laterDays, 'a day', 'days')} less to wait`] : [];
  const buys = [...gains, ...sooner];
  const later = laterDays > 0 ? [`comes ${count(laterDays, 'a day', 'days')} later`] : [];
  const lost = [...(losses.length === 0 ? [] : [`gives up ${listed(losses)}`]), ...later];
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
