import { roundHalfEven } from './round-half-even';

/** What an amount for several comes to for each of them, minor units, rounded half to even. */
export const eachCents = (cents: number, of: number): number => roundHalfEven(cents, 1, of);
