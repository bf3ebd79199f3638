import { MOST_MODULES } from './read-row';

/** Why a price that moved should be looked at before it counts. */
export const PRICE_SUSPICIONS = ['decimal-slip', 'kit-or-single', 'jump'] as const;
export type PriceSuspicion = (typeof PRICE_SUSPICIONS)[number];

/** New price to old that is suspicious where it lies strictly between these. */
export interface PriceBand {
  suspicion: PriceSuspicion;
  /** for packs of so many modules; null: for all */
  modules: number | null;
  over: number;
  under: number;
}

const around = (target: number): { over: number; under: number } => ({ over: target * 0.85, under: target * 1.15 });

/** The bands, the surest first: a point that slipped, a kit's price for one module's or the other way round, a jump by more than half. */
export const PRICE_BANDS: readonly PriceBand[] = [
  ...[10, 100, 1000].flatMap((power) =>
    [power, 1 / power].map((ratio): PriceBand => ({ suspicion: 'decimal-slip', modules: null, ...around(ratio) })),
  ),
  ...Array.from({ length: MOST_MODULES - 1 }, (_, at) => at + 2).flatMap((modules) =>
    [modules, 1 / modules].map((ratio): PriceBand => ({ suspicion: 'kit-or-single', modules, ...around(ratio) })),
  ),
  { suspicion: 'jump', modules: null, over: 1.5, under: Number.MAX_VALUE },
  { suspicion: 'jump', modules: null, over: 0, under: 0.5 },
];

/** What is odd about a price beside the one it had; null: nothing. */
export function suspicionOf(fromCents: number, toCents: number, modules: number): PriceSuspicion | null {
  const ratio = toCents / fromCents;
  const band = PRICE_BANDS.find(
    (one) => (one.modules === null || one.modules === modules) && ratio > one.over && ratio < one.under,
  );
  return band?.suspicion ?? null;
}
