import { roundHalfEven } from './round-half-even';

/**
 * The tax that a price with tax holds, rounded half to even.
 *
 * @param grossMinor price with tax, minor units
 * @param taxBp tax rate in hundredths of a percent (2000 is 20 %)
 */
export function containedTax(grossMinor: number, taxBp: number): number {
  return roundHalfEven(grossMinor, taxBp, 10_000 + taxBp);
}
