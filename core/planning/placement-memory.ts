import { type Board, type Piece, piecesOf } from './board';
import type { PlanCase } from './case';
import { countedSpeed } from './counted-speed';
import type { InForce } from './in-force';
import { physicalKey } from './physical-key';
import { bestPlacement, type Placed } from './placement';
import type { Proposal } from './proposals';

/** The offers of some pieces, ascending. */
function offersOf(pieces: readonly Piece[]): number[] {
  const indexes = pieces.flatMap(({ source }) => (source.from === 'offer' ? [source.index] : []));
  return [...new Set(indexes)].sort((a, b) => a - b);
}

/** A remembered placement with this set's own offers in it, first for first. */
function withOffers(placed: Placed, pieces: readonly Piece[]): Placed {
  const were = offersOf(piecesOf(placed.layout));
  const are = offersOf(pieces);
  const layout = placed.layout.map((piece) => {
    if (piece === null || piece.source.from !== 'offer') return piece;
    const offer = are[were.indexOf(piece.source.index)];
    return pieces.find(({ source }) => source.from === 'offer' && source.index === offer) ?? piece;
  });
  return { ...placed, layout };
}

/**
 * Finds places for sets and remembers them: sets that are alike in all but price (what is kept, and which modules
 * in which number, in the order of the offers) go into the same places.
 */
export function placementMemory(planCase: PlanCase, board: Board, force: InForce) {
  const profiles = planCase.machine.profiles === true;
  const bodies = planCase.offers.map(({ module }) => physicalKey({ module, speed: countedSpeed(module, profiles) }));
  const shapes = bodies.map((body) => bodies.indexOf(body));
  const known = new Map<string, Placed | null>();
  return ({ kept, bought, pieces }: Proposal): Placed | null => {
    const packs = bought.map(
      ({ offer, count }) => `${shapes[offer]}x${count * (planCase.offers[offer]?.modules ?? 0)}`,
    );
    const key = `${kept.join()}|${packs.join()}`;
    const before = known.get(key);
    if (before !== undefined) return before === null ? null : withOffers(before, pieces);
    const placed = bestPlacement(board, force, pieces);
    known.set(key, placed);
    return placed;
  };
}
