import { capacityText } from '../../memory/capacity';
import { moneyText } from '../../pricing/money-text';
import { careLevel } from '../rules/care';
import type { Plan } from '../search/plan';
import { bestOfRung } from './best-of-rung';
import type { Cover } from './cover';
import type { Rung } from './ladder';
import type { Steering } from './steering';

/** What a suggested option is for. */
export type Purpose = 'enough' | 'comfortable' | 'most' | 'original';

export interface Suggestion {
  purpose: Purpose;
  plan: Plan;
  /** a sentence */
  reason: string;
}

export interface SuggestInput {
  /** the lowest total first; their best plans are those that are wanted, where any is */
  rungs: readonly Rung[];
  steering: Steering;
  todayMiB: number;
  cover: Cover;
  currency: string;
  toleranceBp: number;
}

/** Comfortable is so many times enough, at least. */
const ROOM = 1.5;

function enoughReason({ steering, currency }: SuggestInput, rung: Rung): string {
  const price = moneyText(rung.best.priceCents, currency);
  const { needMiB } = steering;
  if (needMiB === null) return `Enough: the first step up that pays, ${capacityText(rung.totalMiB)} for ${price}.`;
  const reached = rung.totalMiB === needMiB ? 'just what is needed' : `the least that reaches ${capacityText(needMiB)}`;
  return `Enough: ${reached}, at the best price, ${price}.`;
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
  const { rungs, steering, todayMiB, cover, currency, toleranceBp } = input;
  const more = rungs.filter((rung) => rung.isWanted && rung.totalMiB > todayMiB);
  const wanted = more.filter((rung) => !more.some((larger) => isBargainOver(larger, rung)));
  const [enough] = wanted;
  if (enough === undefined) return [];
  const found: Suggestion[] = [{ purpose: 'enough', plan: enough.best, reason: enoughReason(input, enough) }];
  const basis = Math.max(steering.needMiB ?? 0, enough.totalMiB);
  const comfortable = wanted.find(({ totalMiB }) => totalMiB >= basis * ROOM) ?? wanted[1];
  if (comfortable !== undefined && comfortable !== enough) {
    const more = moneyText(comfortable.best.priceCents - enough.best.priceCents, currency);
    const reason = `Comfortable: ${capacityText(comfortable.totalMiB - enough.totalMiB)} more to grow into for ${more} more.`;
    found.push({ purpose: 'comfortable', plan: comfortable.best, reason });
  }
  const isCovered = cover === 'warranty' || cover === 'support';
  const original =
    isCovered && found.every(({ plan }) => plan.lane !== 'original') ? originalOf(enough, toleranceBp) : null;
  if (original !== null) {
    const why = cover === 'warranty' ? 'the machine is under warranty' : 'there is a support contract';
    return [
      ...found,
      { purpose: 'original', plan: original, reason: `Original: the same with the maker’s own part, since ${why}.` },
    ];
  }
  const most = wanted.at(-1);
  if (most !== undefined && most !== enough && most !== comfortable) {
    const price = moneyText(most.best.priceCents, currency);
    const reason =
      steering.budgetCents === null
        ? `Most: what this machine can be brought to, ${price}.`
        : `Most: as much as the budget of ${moneyText(steering.budgetCents, currency)} reaches, ${price}.`;
    found.push({ purpose: 'most', plan: most.best, reason });
  }
  return found;
}
