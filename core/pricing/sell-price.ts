import { roundHalfEven } from './round-half-even';

/** How a shop makes its price from what a part costs it. Money in minor units, rates in hundredths of a percent. */
export interface MarkUp {
  markUpBp: number;
  /** the shop never earns less than this on a unit */
  leastMarginCents: number;
  /** the price is rounded up to a multiple of this */
  roundUpToCents: number;
}

/**
 * Sell price with tax of one unit: cost with mark-up or least margin, whichever is more, then tax, then rounded up.
 *
 * @param costCents what the shop pays, without tax
 */
export function sellPrice(costCents: number, markUp: MarkUp, taxBp: number): number {
  const marked = roundHalfEven(costCents, 10_000 + markUp.markUpBp, 10_000);
  const net = Math.max(marked, costCents + markUp.leastMarginCents);
  const gross = roundHalfEven(net, 10_000 + taxBp, 10_000);
  return Math.ceil(gross / markUp.roundUpToCents) * markUp.roundUpToCents;
}
