import { roundHalfEven } from './round-half-even';

/** From a cost on, another mark-up: the dearer the part, the smaller it usually is. Cost minor units without tax. */
export interface MarkUpStep {
  fromCents: number;
  markUpBp: number;
}

/** How a shop makes its price from what a part costs it. Money in minor units, rates in hundredths of a percent. */
export interface MarkUp {
  markUpBp: number;
  /** mark-ups that hold from a cost on; empty: `markUpBp` for all */
  markUpSteps?: readonly MarkUpStep[];
  /** the shop never earns less than this on a unit */
  leastMarginCents: number;
  /** the price is rounded up to a multiple of this */
  roundUpToCents: number;
  /** last two figures that a price may have, such as 0, 50, 90; empty: any multiple */
  priceEndings?: readonly number[];
}

/** The mark-up that holds for a cost. */
function markUpFor(costCents: number, { markUpBp, markUpSteps = [] }: MarkUp): number {
  const reached = markUpSteps.filter(({ fromCents }) => fromCents <= costCents);
  return reached.sort((a, b) => b.fromCents - a.fromCents)[0]?.markUpBp ?? markUpBp;
}

/**
 * Cost with its mark-up; at a step to a smaller one never less than what just below it is sold for, so that a dearer
 * part is never the cheaper one.
 */
function marked(costCents: number, markUp: MarkUp): number {
  const below = (markUp.markUpSteps ?? []).flatMap(({ fromCents }) =>
    fromCents > 0 && fromCents <= costCents ? [fromCents - 1] : [],
  );
  return Math.max(
    ...[costCents, ...below].map((cents) => roundHalfEven(cents, 10_000 + markUpFor(cents, markUp), 10_000)),
  );
}

/** The least price at or above this one that ends in one of these figures, or is a multiple. */
function roundedUp(cents: number, { roundUpToCents, priceEndings = [] }: MarkUp): number {
  if (priceEndings.length === 0) return Math.ceil(cents / roundUpToCents) * roundUpToCents;
  const whole = Math.floor(cents / 100) * 100;
  const candidates = priceEndings.flatMap((ending) => [whole + ending, whole + 100 + ending]);
  return Math.min(...candidates.filter((price) => price >= cents));
}

/**
 * Sell price with tax of one unit, which never falls as the cost rises: cost with mark-up or least margin, whichever is more, then tax, then rounded up to a
 * multiple or to one of the shop's endings.
 *
 * @param costCents what the shop pays, without tax
 */
export function sellPrice(costCents: number, markUp: MarkUp, taxBp: number): number {
  const net = Math.max(marked(costCents, markUp), costCents + markUp.leastMarginCents);
  const gross = roundHalfEven(net, 10_000 + taxBp, 10_000);
  return roundedUp(gross, markUp);
}
