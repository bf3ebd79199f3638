/** The largest amount that anything may cost, minor units: 10^9. Sums of what one document holds stay far below 2^53. */
export const MOST_CENTS = 1_000_000_000;
