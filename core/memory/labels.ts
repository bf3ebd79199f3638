import { EDGE_GENERATIONS, GENERATION_FACTS, type Generation } from './generation';

type EdgeGeneration = (typeof EDGE_GENERATIONS)[number];

/**
 * Bandwidth labels by rate, the usual one first: rate × 8 bytes, rounded by custom (JEDEC 21-C 4.19 and 4.20, module
 * labels of the generations). SDR is labelled by its clock, DDR5 by the exact product.
 */
const LABELS: Record<EdgeGeneration, Record<number, readonly number[]>> = {
  SDR: { 66: [66], 100: [100], 133: [133] },
  DDR: { 200: [1600], 266: [2100], 333: [2700], 400: [3200] },
  DDR2: { 400: [3200], 533: [4200, 4300], 667: [5300, 5400], 800: [6400], 1066: [8500, 8600] },
  DDR3: {
    800: [6400],
    1066: [8500, 8533],
    1333: [10600, 10660, 10666, 10667],
    1600: [12800],
    1866: [14900, 14933, 15000],
    2133: [17000, 17066],
  },
  DDR4: {
    1600: [12800],
    1866: [14900, 14933],
    2133: [17000, 17066],
    2400: [19200],
    2666: [21300, 21333],
    2933: [23400, 23466, 23500],
    3200: [25600],
  },
  DDR5: Object.fromEntries(GENERATION_FACTS.DDR5.ratesMTs.map((rate) => [rate, [rate * 8]])),
};

const RATE_OF_LABEL: ReadonlyMap<Generation, ReadonlyMap<number, number>> = new Map(
  EDGE_GENERATIONS.map((generation) => [generation, labelMap(generation)]),
);

function labelMap(generation: EdgeGeneration): Map<number, number> {
  const rows = Object.entries(LABELS[generation]);
  return new Map(rows.flatMap(([rate, labels]) => labels.map((label) => [label, Number(rate)] as const)));
}

/**
 * The rate behind the number of a module label, MT/s as printed: a bandwidth, or the rate itself as DDR4 and DDR5
 * labels print it and sellers write it of the others.
 *
 * @returns null where the generation has no such number
 */
export function rateOfLabel(generation: Generation, number: number): number | null {
  const rate = RATE_OF_LABEL.get(generation)?.get(number);
  if (rate !== undefined) return rate;
  return GENERATION_FACTS[generation].ratesMTs.find((one) => Math.abs(one - number) <= 1) ?? null;
}
