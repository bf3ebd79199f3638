import type { Generation } from './generation';

/**
 * CL of a speed bin by the rate and the letters behind it: `2666V` is CL19. DDR3 (JESD79-3 tables of speed bins),
 * DDR4 (JESD79-4), DDR5 (JESD79-5). Of each rate the first bin is the fastest.
 */
const BINS: Partial<Record<Generation, Record<number, Record<string, number>>>> = {
  DDR3: {
    800: { d: 5, e: 6 },
    1066: { e: 6, f: 7, g: 8 },
    1333: { f: 7, g: 8, h: 9, j: 10 },
    1600: { g: 8, h: 9, j: 10, k: 11 },
    1866: { j: 10, k: 11, l: 12, m: 13 },
    2133: { k: 11, l: 12, m: 13, n: 14 },
  },
  DDR4: {
    1600: { j: 10, k: 11, l: 12 },
    1866: { l: 12, m: 13, n: 14 },
    2133: { n: 14, p: 15, r: 16 },
    2400: { p: 15, r: 16, t: 17, u: 18 },
    2666: { t: 17, u: 18, v: 19, w: 20 },
    2933: { v: 19, w: 20, y: 21, aa: 22 },
    3200: { w: 20, aa: 22, ac: 24 },
  },
  DDR5: {
    3200: { a: 22, b: 26, c: 28 },
    3600: { a: 26, b: 30, c: 32 },
    4000: { a: 28, b: 32, c: 36 },
    4400: { a: 32, b: 36, c: 40 },
    4800: { a: 34, b: 40, c: 42 },
    5200: { a: 38, b: 42, c: 46 },
    5600: { a: 40, b: 46, c: 50 },
    6000: { a: 42, b: 48, c: 54 },
    6400: { a: 46, b: 52, c: 56 },
  },
};

/** CL of a bin; null where the rate has no such bin. Letters in lower case. */
export function binLatency(generation: Generation, rateMTs: number, letters: string): number | null {
  return BINS[generation]?.[rateMTs]?.[letters] ?? null;
}

const LEAST: ReadonlyMap<string, number> = new Map(
  Object.entries(BINS).flatMap(([generation, rates]) =>
    Object.entries(rates).map(([rate, bins]) => [`${generation}-${rate}`, Math.min(...Object.values(bins))] as const),
  ),
);

/** Least CL that any standard bin of a rate has; null where the table does not say. */
export function leastStandardLatency(generation: Generation, rateMTs: number): number | null {
  return LEAST.get(`${generation}-${rateMTs}`) ?? null;
}
