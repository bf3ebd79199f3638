import { EDGE_GENERATIONS, GENERATION_FACTS } from './generation';

/** Every rate of the standard tables, MT/s. */
const PRINTED = [...new Set(EDGE_GENERATIONS.flatMap((name) => GENERATION_FACTS[name].ratesMTs))];

/** The printed rate of every rate within 1 MT/s of one. */
const PRINTED_OF: ReadonlyMap<number, number> = new Map(
  PRINTED.flatMap((printed) => [printed - 1, printed + 1, printed].map((rate) => [rate, printed] as const)),
);

/**
 * The rate as the trade prints it: nominal rates come rounded either way (2667 and 2666 are one rate).
 *
 * @param rateMTs a rate as a report gives it, MT/s
 * @returns the printed rate within 1 MT/s of it, or the rate itself where the tables have none
 */
export function printedRate(rateMTs: number): number {
  return PRINTED_OF.get(Math.round(rateMTs)) ?? rateMTs;
}
