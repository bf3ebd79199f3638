import type { Board, Layout, Piece } from '../model/board';
import { piecesOf } from '../model/board';
import { capUnderLoad, loadCaps } from './load-caps';

/** The highest of `boardRates` (ascending) that is at most `cap`; `cap` itself where the list is empty; else null. */
export function boardRateUnder(boardRates: readonly number[], cap: number): number | null {
  if (boardRates.length === 0) return cap;
  return boardRates.findLast((rate) => rate <= cap) ?? null;
}

/** What lets a module run no faster: its own rate, the CPU's, the load's; MT/s. */
export function capOf({ speed }: Pick<Piece, 'speed'>, { machine }: Board, load: number): number {
  return Math.min(speed.rateMTs, machine.cpu?.maxRateMTs ?? Number.POSITIVE_INFINITY, load);
}

/** The smallest cap of a layout's modules, MT/s; null for an empty one. */
export function smallestCap(board: Board, layout: Layout): number | null {
  const pieces = piecesOf(layout);
  if (pieces.length === 0) return null;
  const mostRanks = Math.max(0, ...pieces.map(({ module }) => module.ranks ?? 0));
  const fullest = Math.max(...board.slotsOf.map((slots) => slots.filter((slot) => layout[slot] != null).length));
  const load = capUnderLoad(loadCaps(board.machine, mostRanks), fullest);
  return Math.min(...pieces.map((piece) => capOf(piece, board, load)));
}
