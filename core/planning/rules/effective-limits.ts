import type { Board } from '../model/board';
import { runningToday, type Today } from './today';

/** What holds for every plan of a case: the papers, joined by the evidence of what runs today. */
export interface EffectiveLimits {
  today: Today;
  /** MT/s, ascending; empty: any */
  boardRates: readonly number[];
  total: { official: number | null; proven: number | null };
  module: { official: number | null; proven: number | null; failed: readonly number[] };
}

const largestKnown = (...values: (number | null | undefined)[]): number | null => {
  const known = values.filter((value) => value != null);
  return known.length === 0 ? null : Math.max(...known);
};

const smallestKnown = (...values: (number | null | undefined)[]): number | null => {
  const known = values.filter((value) => value != null);
  return known.length === 0 ? null : Math.min(...known);
};

function withTodaysRate(rates: readonly number[], rate: number | null): number[] {
  if (rates.length === 0 || rate === null || rates.includes(rate)) return [...rates];
  return [...rates, rate].sort((a, b) => a - b);
}

/**
 * The ceilings (MiB) and board rates in force. The official total is the smaller of board and CPU; what has been
 * seen to work, today's set included, outranks both papers. Soldered memory proves no module size.
 */
export function effectiveLimits(board: Board): EffectiveLimits {
  const { machine, installed } = board;
  const today = runningToday(board);
  const total = machine.ceilings?.totalMiB;
  const module = machine.ceilings?.moduleMiB;
  const official = smallestKnown(total?.official, machine.cpu?.maxMiB);
  return {
    today,
    boardRates: withTodaysRate(machine.ratesMTs, today.rateMTs),
    total: { official, proven: largestKnown(official, total?.proven, today.totalMiB) },
    module: {
      official: module?.official ?? null,
      proven: largestKnown(module?.proven, ...installed.map((piece) => piece.module.capacityMiB)),
      failed: module?.failed ?? [],
    },
  };
}
