import { type Board, type Layout, type Piece, piecesOf } from './board';
import { totalMiB } from './capacity-of';
import type { InForce } from './in-force';
import { boardRateUnder, smallestCap } from './running-rate';

/** Why modules cannot be together in a machine whatever their places. */
export const MIX_REFUSALS = ['generation-mix', 'buffering-mix', 'voltage', 'total'] as const;
/** Why a set cannot stand in these very places. */
export const PLACE_REFUSALS = ['slot-size', 'ranks', 'pairing', 'fill', 'rate'] as const;
export type MixRefusal = (typeof MIX_REFUSALS)[number];
export type PlaceRefusal = (typeof PLACE_REFUSALS)[number];

/** True where the known values differ; what is not known differs from nothing. */
export function differ(values: readonly (number | string | null | undefined)[]): boolean {
  let first: number | string | null = null;
  for (const value of values) {
    if (value == null) continue;
    if (first === null) first = value;
    else if (value !== first) return true;
  }
  return false;
}

const MIX_TESTS: Record<MixRefusal, (pieces: readonly Piece[], board: Board, force: InForce) => boolean> = {
  'generation-mix': (pieces) => differ(pieces.map((piece) => piece.module.generation)),
  'buffering-mix': (pieces) => differ(pieces.map((piece) => piece.module.buffering)),
  voltage: (pieces, board) =>
    !board.machine.voltagesMv.some((mv) => pieces.every((piece) => piece.module.voltagesMv.includes(mv))),
  total: (pieces, _, { total }) =>
    total.official !== null && totalMiB(pieces) > Math.max(total.official, total.proven ?? 0),
};

/** A module that is bought, or that leaves its own slot, must respect the slot's size. */
function breaksSlotSize(board: Board, piece: Piece, slot: number): boolean {
  const limit = board.machine.slots[slot]?.maxMiB;
  if (limit == null || piece.module.capacityMiB <= limit || piece.source.from === 'soldered') return false;
  return piece.source.from === 'offer' || board.home[piece.source.index] !== slot;
}

function breaksRanks(board: Board, layout: Layout): boolean {
  const limit = board.machine.maxRanksPerChannel;
  if (limit == null) return false;
  const ranks = new Array<number>(board.channelCount).fill(0);
  layout.forEach((piece, slot) => {
    const channel = board.channelOf[slot] ?? 0;
    ranks[channel] = (ranks[channel] ?? 0) + (piece?.module.ranks ?? 0);
  });
  return ranks.some((sum) => sum > limit);
}

function breaksPairing(board: Board, layout: Layout): boolean {
  if (board.machine.pairing !== 'required') return false;
  return board.banks.some((bank) => {
    const held = piecesOf(bank.map((slot) => layout[slot] ?? null));
    if (held.length === 0) return false;
    return (
      held.length < bank.length ||
      differ(held.map((piece) => piece.module.capacityMiB)) ||
      differ(held.map((piece) => piece.speed.rateMTs)) ||
      differ(held.map((piece) => piece.module.ranks))
    );
  });
}

function breaksFill(board: Board, layout: Layout): boolean {
  if (board.machine.fillRule !== 'required') return false;
  const filled = board.sockets.filter((slot) => layout[slot] != null);
  return filled.some((slot) => (board.fillPosition[slot] ?? 0) >= filled.length);
}

const PLACE_TESTS: Record<PlaceRefusal, (board: Board, layout: Layout, force: InForce) => boolean> = {
  'slot-size': (board, layout) => layout.some((piece, slot) => piece !== null && breaksSlotSize(board, piece, slot)),
  ranks: breaksRanks,
  pairing: breaksPairing,
  fill: breaksFill,
  rate: (board, layout, force) => {
    const cap = smallestCap(board, layout);
    return cap !== null && boardRateUnder(force.boardRates, cap) === null;
  },
};

/** Codes that speak against these modules being together, wherever they stand. */
export function mixRefusals(pieces: readonly Piece[], board: Board, force: InForce): MixRefusal[] {
  return MIX_REFUSALS.filter((code) => MIX_TESTS[code](pieces, board, force));
}

/** True as soon as one rule refuses the placement. */
export function placeRefused(board: Board, layout: Layout, force: InForce): boolean {
  return PLACE_REFUSALS.some((code) => PLACE_TESTS[code](board, layout, force));
}
