import type { Board, Layout, Piece } from './board';
import { piecesOf } from './board';

/** The highest of `boardRates` (ascending) that is at most `cap`; `cap` itself where the list is empty; else null. */
export function boardRateUnder(boardRates: readonly number[], cap: number): number | null {
  if (boardRates.length === 0) return cap;
  return boardRates.findLast((rate) => rate <= cap) ?? null;
}

/** The least cap that the load of this set puts on every module, MT/s; Infinity where none holds. */
export function loadCap(board: Board, layout: Layout): number {
  const rules = board.machine.rateByLoad ?? [];
  if (rules.length === 0) return Number.POSITIVE_INFINITY;
  const perChannel = new Array<number>(board.channelCount).fill(0);
  let mostRanks = 0;
  layout.forEach((piece, slot) => {
    if (piece === null) return;
    const channel = board.channelOf[slot] ?? 0;
    perChannel[channel] = (perChannel[channel] ?? 0) + 1;
    mostRanks = Math.max(mostRanks, piece.module.ranks ?? 0);
  });
  const fullest = Math.max(...perChannel);
  const holding = rules.filter((rule) => fullest >= rule.modulesPerChannel && mostRanks >= (rule.ranks ?? 0));
  return Math.min(Number.POSITIVE_INFINITY, ...holding.map((rule) => rule.maxRateMTs));
}

/** What lets a module run no faster: its own rate, the CPU's, the load's; MT/s. */
export function capOf(piece: Pick<Piece, 'speed'>, board: Board, load: number): number {
  return Math.min(piece.speed.rateMTs, board.machine.cpu?.maxRateMTs ?? Number.POSITIVE_INFINITY, load);
}

/** The smallest cap of a layout's modules, MT/s; null for an empty one. */
export function smallestCap(board: Board, layout: Layout): number | null {
  const pieces = piecesOf(layout);
  if (pieces.length === 0) return null;
  const load = loadCap(board, layout);
  return Math.min(...pieces.map((piece) => capOf(piece, board, load)));
}
