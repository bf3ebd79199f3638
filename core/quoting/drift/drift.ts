import { CARES } from '../../planning/rules/care';
import type { Plan } from '../../planning/search/plan';
import type { QuoteOption } from '../snapshot';

/** How an offer stands today: what one unit costs the shop, how many there are. Money in minor units. */
export interface OfferNow {
  /** null: it has no price any more */
  costCents: number | null;
  /** null: any number */
  stock: number | null;
  withdrawn: boolean;
}

/** A part of a sent option that is not what it was when the quote went out. */
export interface PartDrift {
  offer: string;
  seller: string;
  count: number;
  wasCents: number;
  /** what one unit costs now; null: it cannot be had */
  nowCents: number | null;
  what: 'dearer' | 'cheaper' | 'sold-out' | 'withdrawn';
}

/** What moved behind a sent option, and what that does to what it leaves the shop. */
export interface OptionDrift {
  place: number;
  parts: PartDrift[];
  leftCents: number;
  /** null: a part cannot be had */
  leavesCents: number | null;
}

function partDrift(
  { offer, seller, count, costCents: wasCents }: QuoteOption['shop']['bought'][number],
  now: OfferNow | undefined,
): PartDrift | null {
  const part = { offer, seller, count, wasCents };
  if (now === undefined || now.withdrawn || now.costCents === null)
    return { ...part, nowCents: null, what: 'withdrawn' };
  if (now.stock !== null && now.stock < count) return { ...part, nowCents: null, what: 'sold-out' };
  if (now.costCents === wasCents) return null;
  return { ...part, nowCents: now.costCents, what: now.costCents > wasCents ? 'dearer' : 'cheaper' };
}

/** What moved behind an option since it was sent; null: nothing. The customer's price holds whatever moves. */
export function driftOf(
  { place, shop }: QuoteOption,
  now: (offer: string) => OfferNow | undefined,
): OptionDrift | null {
  const parts = shop.bought.flatMap((bought) => partDrift(bought, now(bought.offer)) ?? []);
  if (parts.length === 0) return null;
  const isGone = parts.some(({ nowCents }) => nowCents === null);
  const more = parts.reduce((sum, { count, wasCents, nowCents }) => sum + count * ((nowCents ?? 0) - wasCents), 0);
  return { place, parts, leftCents: shop.marginCents, leavesCents: isGone ? null : shop.marginCents - more };
}

/** The cheapest plan that gives at least what a sent option promised, of the same lane and total; null: there is none. */
export function nextEqual(option: QuoteOption, plans: readonly Plan[]): Plan | null {
  const equal = plans.filter(
    (plan) =>
      plan.totalMiB === option.totalMiB &&
      plan.lane === option.lane &&
      plan.rateMTs >= option.rateMTs &&
      plan.openSlots >= option.openSlots &&
      CARES.indexOf(plan.care) <= CARES.indexOf(option.care),
  );
  return equal.reduce<Plan | null>(
    (best, plan) => (best === null || plan.priceCents < best.priceCents ? plan : best),
    null,
  );
}
