import { careLevel } from '../rules/care';
import type { Plan } from '../search/plan';
import { bestOfRung } from './best-of-rung';
import type { Cover } from './cover';
import type { Rung } from './ladder';
import type { Steering } from './steering';

/** What a suggested option is for. */
export type Purpose = 'enough' | 'comfortable' | 'most' | 'original';

/** Why it is suggested. Amounts minor units, capacities MiB. */
export type Because =
  /** nobody said what is needed: the first step up */
  | { why: 'first'; totalMiB: number; cents: number }
  /** just what is needed */
  | { why: 'exact'; cents: number }
  /** the least that reaches what is needed */
  | { why: 'reaches'; needMiB: number; cents: number }
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

export interface SuggestInput {
  /** the lowest total first; their best plans are those that are wanted, where any is */
  rungs: readonly Rung[];
  steering: Steering;
  todayMiB: number;
  cover: Cover;
  toleranceBp: number;
}

/** Comfortable is so many times enough, at least. */
const ROOM = 1.5;

function enoughBecause({ steering }: SuggestInput, rung: Rung): Because {
  const cents = rung.best.priceCents;
  const { needMiB } = steering;
  if (needMiB === null) return { why: 'first', totalMiB: rung.totalMiB, cents };
  return rung.totalMiB === needMiB ? { why: 'exact', cents } : { why: 'reaches', needMiB, cents };
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
  const { rungs, steering, todayMiB, cover, toleranceBp } = input;
  const more = rungs.filter((rung) => rung.isWanted && rung.totalMiB > todayMiB);
  const wanted = more.filter((rung) => !more.some((larger) => isBargainOver(larger, rung)));
  const [enough] = wanted;
  if (enough === undefined) return [];
  const found: Suggestion[] = [{ purpose: 'enough', plan: enough.best, because: enoughBecause(input, enough) }];
  const basis = Math.max(steering.needMiB ?? 0, enough.totalMiB);
  const comfortable = wanted.find(({ totalMiB }) => totalMiB >= basis * ROOM) ?? wanted[1];
  if (comfortable !== undefined && comfortable !== enough) {
    const moreCents = comfortable.best.priceCents - enough.best.priceCents;
    const because: Because = { why: 'comfortable', moreMiB: comfortable.totalMiB - enough.totalMiB, moreCents };
    found.push({ purpose: 'comfortable', plan: comfortable.best, because });
  }
  const covered = cover === 'warranty' || cover === 'support' ? cover : null;
  const original =
    covered !== null && found.every(({ plan }) => plan.lane !== 'original') ? originalOf(enough, toleranceBp) : null;
  if (original !== null && covered !== null) {
    return [...found, { purpose: 'original', plan: original, because: { why: covered } }];
  }
  const most = wanted.at(-1);
  if (most !== undefined && most !== enough && most !== comfortable) {
    const because: Because = { why: 'most', cents: most.best.priceCents, budgetCents: steering.budgetCents };
    found.push({ purpose: 'most', plan: most.best, because });
  }
  return found;
}
