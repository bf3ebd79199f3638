import { bandwidthMBs } from './bandwidth';
import { type Board, type Layout, type Piece, piecesOf } from './board';
import { type CareReason, careRank, careReasons, fixedReasons } from './care';
import { compareLists } from './compare-lists';
import type { InForce } from './in-force';
import { physicalKey } from './physical-key';
import { placeRefused } from './refuse-set';
import { boardRateUnder, smallestCap } from './running-rate';

/** A set in its places, with what it gives there. */
export interface Placed {
  layout: Layout;
  /** running rate, MT/s */
  rateMTs: number;
  bandwidthMBs: number;
  reasons: readonly CareReason[];
  /** place in CARES */
  care: number;
}

/** Pieces that are alike in everything the rules look at and so may stand for each other. */
interface Group {
  pieces: readonly Piece[];
}

/** The installed modules' groups: equal modules together; the bought ones': each offer's modules together. */
function groupPieces(pieces: readonly Piece[]): Group[] {
  const groups = new Map<string, Piece[]>();
  for (const piece of pieces) {
    const key = piece.source.from === 'offer' ? `offer ${piece.source.index}` : physicalKey(piece);
    groups.set(key, [...(groups.get(key) ?? []), piece]);
  }
  return [...groups.values()].map((alike) => ({ pieces: alike }));
}

/**
 * Puts the pieces of each group into the sockets its pattern gives it: who is at home there stays, the others
 * follow in order. No other choice moves fewer modules or breaks fewer rules.
 */
function seat(board: Board, groups: readonly Group[], pattern: readonly number[]): Layout {
  const layout = [...board.soldered];
  groups.forEach(({ pieces }, group) => {
    const isTheirs = (slot: number) => slot >= 0 && pattern[board.sockets.indexOf(slot)] === group;
    const moving: Piece[] = [];
    for (const piece of pieces) {
      const home = homeOf(board, piece);
      if (isTheirs(home)) layout[home] = piece;
      else moving.push(piece);
    }
    let next = 0;
    pattern.forEach((owner, index) => {
      const slot = board.sockets[index] ?? -1;
      if (owner === group && layout[slot] === null) layout[slot] = moving[next++] ?? null;
    });
  });
  return layout;
}

function homeOf(board: Board, piece: Piece): number {
  return piece.source.from === 'installed' ? (board.home[piece.source.index] ?? -1) : -1;
}

/** Visits every distinct way to spread groups of the given sizes over the sockets; -1 leaves a socket empty. */
function forEachPattern(sockets: number, sizes: readonly number[], visit: (pattern: readonly number[]) => void): void {
  const left = [...sizes, sockets - sizes.reduce((sum, size) => sum + size, 0)];
  const pattern = new Array<number>(sockets).fill(-1);
  const fill = (socket: number): void => {
    if (socket === sockets) {
      visit(pattern);
      return;
    }
    for (let group = 0; group < left.length; group++) {
      const remaining = left[group] ?? 0;
      if (remaining === 0) continue;
      left[group] = remaining - 1;
      pattern[socket] = group < sizes.length ? group : -1;
      fill(socket + 1);
      left[group] = remaining;
    }
  };
  fill(0);
}

/** What a placement gives, or null where a rule refuses it. */
function judge(board: Board, force: InForce, layout: Layout, fixed: readonly CareReason[]): Placed | null {
  if (placeRefused(board, layout, force)) return null;
  const rateMTs = boardRateUnder(force.boardRates, smallestCap(board, layout) ?? 0) ?? 0;
  const bandwidth = bandwidthMBs(board, layout, rateMTs);
  const reasons = careReasons({ board, force, layout, rateMTs, bandwidthMBs: bandwidth }, fixed);
  return { layout, rateMTs, bandwidthMBs: bandwidth, reasons, care: careRank(reasons) };
}

function movedCount(board: Board, layout: Layout): number {
  return layout.filter((piece, slot) => piece?.source.from === 'installed' && homeOf(board, piece) !== slot).length;
}

function filledPositions(board: Board, layout: Layout): number[] {
  return board.sockets
    .filter((slot) => layout[slot] != null)
    .map((slot) => board.fillPosition[slot] ?? 0)
    .sort((a, b) => a - b);
}

/** Kept modules in their order before bought ones in theirs. */
function order(board: Board, piece: Piece): number {
  if (piece.source.from === 'soldered') return -1;
  return piece.source.from === 'installed' ? piece.source.index : board.installed.length + piece.source.index;
}

/** Below 0 where `a` is the better placement of the same set. */
function comparePlaced(board: Board, a: Placed, b: Placed): number {
  return (
    a.care - b.care ||
    b.bandwidthMBs - a.bandwidthMBs ||
    movedCount(board, a.layout) - movedCount(board, b.layout) ||
    compareLists(filledPositions(board, a.layout), filledPositions(board, b.layout)) ||
    compareLists(
      piecesOf(a.layout).map((piece) => order(board, piece)),
      piecesOf(b.layout).map((piece) => order(board, piece)),
    )
  );
}

/**
 * The placement to use for a set of kept and bought modules: least care, then most bandwidth, then fewest moves,
 * then the fill order, then kept before bought. Null where every placement is refused.
 */
export function bestPlacement(board: Board, force: InForce, pieces: readonly Piece[]): Placed | null {
  const groups = groupPieces(pieces);
  const sizes = groups.map((group) => group.pieces.length);
  const fixed = fixedReasons(board, force, [...board.soldered, ...pieces]);
  let best: Placed | null = null;
  forEachPattern(board.sockets.length, sizes, (pattern) => {
    const placed = judge(board, force, seat(board, groups, pattern), fixed);
    if (placed !== null && (best === null || comparePlaced(board, placed, best) < 0)) best = placed;
  });
  return best;
}
