import { careLevel } from '../rules/care';
import type { Plan } from '../search/plan';
import { bestOfRung } from './best-of-rung';
import type { Cover } from './cover';
import type { Rung } from './ladder';
import { type LadderBounds, missedBy } from './steering';

/** What a suggested option is for. */
export type Purpose = 'enough' | 'comfortable' | 'most' | 'original';

/** Why it is suggested. Amounts minor units, capacities MiB. */
export type Because =
  /** nobody said what is needed: the first step up */
  | { why: 'first'; totalMiB: number; cents: number }
  /** just what is needed */
  | { why: 'exact'; cents: number }
  /** the least that reaches what its use, what is in use, its system or the shop's least asks for */
  | { why: 'asked'; asked: AskedFor; cents: number }
  /** the least that reaches what is needed */
  | { why: 'reaches'; needMiB: number; cents: number }
  /** for so much more than the cheapest it need not be minded, where that is slower than today or of mixed rates */
  | { why: 'clear'; over: Halting; moreCents: number }
  /** so much more than enough, for so much more */
  | { why: 'comfortable'; moreMiB: number; moreCents: number }
  | { why: 'warranty' | 'support' }
  /** the most that the machine takes, or the budget reaches */
  | { why: 'most'; cents: number; budgetCents: number | null };

export interface Suggestion {
  purpose: Purpose;
  plan: Plan;
  because: Because;
}

/** How much is asked for where no need is typed, and by what: a use or a system by name. MiB. */
export interface AskedFor {
  by: 'use' | 'in-use' | 'system' | 'floor';
  /** empty where there is none */
  name: string;
  needMiB: number;
}

export interface SuggestInput {
  /** the lowest total first; their best plans are those that are wanted, where any is */
  rungs: readonly Rung[];
  steering: LadderBounds;
  todayMiB: number;
  cover: Cover;
  toleranceBp: number;
  /** how much is asked for where no need is typed; null or left out: nobody knows */
  asked?: AskedFor | null;
}

/** What a practitioner would not call enough, if a plan that need not be minded costs little more. */
const HALTING = ['slower-than-today', 'mixed-rate'] as const;
export type Halting = (typeof HALTING)[number];
/** Little more is a tenth of the price. */
const LITTLE_MORE = 1.1;

/** Comfortable is so many times enough, at least. */
const ROOM = 1.5;

function enoughBecause({ steering, asked = null }: SuggestInput, rung: Rung): Because {
  const cents = rung.best.priceCents;
  const { needMiB } = steering;
  if (needMiB === null && asked !== null && rung.totalMiB >= asked.needMiB) return { why: 'asked', asked, cents };
  if (needMiB === null) return { why: 'first', totalMiB: rung.totalMiB, cents };
  return rung.totalMiB === needMiB ? { why: 'exact', cents } : { why: 'reaches', needMiB, cents };
}

/**
 * The plan that is enough: the best of its rung, unless that is slower than today or of mixed rates and a clear one of the same
 * or the next total costs little more.
 */
function enoughOf(input: SuggestInput, rung: Rung): Pick<Suggestion, 'plan' | 'because'> {
  const { best } = rung;
  const own = { plan: best, because: enoughBecause(input, rung) };
  const over = HALTING.find((reason) => best.reasons.includes(reason));
  if (over === undefined) return own;
  const at = input.rungs.findIndex(({ totalMiB }) => totalMiB === rung.totalMiB);
  const most = best.priceCents + Math.abs(best.priceCents) * (LITTLE_MORE - 1);
  const [clear] = input.rungs
    .slice(at, at + 2)
    .flatMap(({ plans }) => plans)
    .filter((plan) => plan.care === 'clear' && plan.priceCents <= most && missedBy(input.steering, plan) === null)
    .sort((a, b) => a.priceCents - b.priceCents || b.totalMiB - a.totalMiB);
  if (clear === undefined) return own;
  return { plan: clear, because: { why: 'clear', over, moreCents: clear.priceCents - best.priceCents } };
}

/** Does a larger rung ask no more, and nothing more to mind? Nobody would offer the smaller one then. */
function isBargainOver(larger: Rung, rung: Rung): boolean {
  const care = (one: Rung) => careLevel(one.best.care);
  return (
    larger.totalMiB > rung.totalMiB && larger.best.priceCents <= rung.best.priceCents && care(larger) <= care(rung)
  );
}

/** The original of the rung that is enough: under a cover it must be among what a customer is offered. */
function originalOf(rung: Rung, toleranceBp: number): Plan | null {
  return bestOfRung(
    rung.plans.filter(({ lane }) => lane === 'original'),
    toleranceBp,
  );
}

/**
 * Up to three plans to offer: enough for the need, comfortable above it, and the most that the budget reaches; under a warranty
 * or a support contract the original takes the place of the most, whatever it costs. Else only plans that are wanted; fewer where
 * there are none.
 */
export function suggestThree(input: SuggestInput): Suggestion[] {
  const { rungs, steering, todayMiB, cover, toleranceBp, asked = null } = input;
  const above = rungs.filter((rung) => rung.isWanted && rung.totalMiB > todayMiB);
  const leastMiB = steering.needMiB ?? asked?.needMiB ?? 0;
  const reaching = above.filter(({ totalMiB }) => totalMiB >= leastMiB);
  // Where nothing reaches what is asked for, less is better than nothing.
  const more = reaching.length > 0 ? reaching : above;
  const wanted = more.filter((rung) => !more.some((larger) => isBargainOver(larger, rung)));
  const [enough] = wanted;
  if (enough === undefined) return [];
  const first = enoughOf(input, enough);
  const found: Suggestion[] = [{ purpose: 'enough', ...first }];
  const { totalMiB: enoughMiB, priceCents: enoughCents } = first.plan;
  const basis = Math.max(steering.needMiB ?? 0, enoughMiB);
  const larger = wanted.filter(({ totalMiB }) => totalMiB > enoughMiB);
  const comfortable = larger.find(({ totalMiB }) => totalMiB >= basis * ROOM) ?? larger[0];
  if (comfortable !== undefined) {
    const moreCents = comfortable.best.priceCents - enoughCents;
    const because: Because = { why: 'comfortable', moreMiB: comfortable.totalMiB - enoughMiB, moreCents };
    found.push({ purpose: 'comfortable', plan: comfortable.best, because });
  }
  const covered = cover === 'warranty' || cover === 'support' ? cover : null;
  const original =
    covered !== null && found.every(({ plan }) => plan.lane !== 'original') ? originalOf(enough, toleranceBp) : null;
  if (original !== null && covered !== null) {
    return [...found, { purpose: 'original', plan: original, because: { why: covered } }];
  }
  const most = larger.at(-1);
  if (most !== undefined && most !== comfortable) {
    const because: Because = { why: 'most', cents: most.best.priceCents, budgetCents: steering.budgetCents };
    found.push({ purpose: 'most', plan: most.best, because });
  }
  return found;
}
