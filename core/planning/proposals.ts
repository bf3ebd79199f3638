import { type Board, type Piece, piecesOf } from './board';
import { totalMiB } from './capacity-of';
import type { Goal, Lane, PlanCase } from './case';
import { keptSets, type Purchase, purchases } from './combinations';
import { countedSpeed } from './counted-speed';
import type { InForce } from './in-force';
import { laneOf, type Reuse, reuseOf } from './lane-and-reuse';
import { planPriceCents } from './price';
import { mixRefusals } from './refuse-set';

/** Different offers in one plan where the goal does not say. */
const DEFAULT_MAX_OFFERS = 2;

/** A set that may become a plan, before it has places, with what is sure about it wherever they are. */
export interface Proposal {
  lane: Lane;
  reuse: Reuse;
  /** places in `installed`, ascending */
  kept: readonly number[];
  bought: readonly Purchase[];
  pieces: readonly Piece[];
  totalMiB: number;
  priceCents: number;
  openSlots: number;
}

/** Kept modules first, then the bought ones by offer: the order that the rules of placement speak of. */
function piecesFor(planCase: PlanCase, board: Board, kept: readonly number[], bought: readonly Purchase[]): Piece[] {
  const stay = board.installed.filter((_, index) => kept.includes(index));
  const come = bought.flatMap(({ offer, count }) => {
    const pack = planCase.offers[offer];
    if (pack === undefined) return [];
    const speed = countedSpeed(pack.module, planCase.machine.profiles === true);
    const piece: Piece = { module: pack.module, speed, source: { from: 'offer', index: offer } };
    return new Array<Piece>(count * pack.modules).fill(piece);
  });
  return [...stay, ...come];
}

/** A set with its sure figures, or null where its modules cannot be together at all. */
export function propose(
  planCase: PlanCase,
  board: Board,
  force: InForce,
  kept: readonly number[],
  bought: readonly Purchase[],
): Proposal | null {
  const pieces = piecesFor(planCase, board, kept, bought);
  const all = [...piecesOf(board.soldered), ...pieces];
  if (mixRefusals(all, board, force).length > 0) return null;
  return {
    lane: laneOf(planCase, bought),
    reuse: reuseOf(board.installed.length, kept.length, bought.length),
    kept,
    bought,
    pieces,
    totalMiB: totalMiB(all),
    priceCents: planPriceCents(planCase, kept, bought),
    openSlots: board.sockets.length - pieces.length,
  };
}

/** Does it lie within what is wished for, as far as that does not depend on places? */
function meets(goal: Goal, { totalMiB, priceCents, openSlots, lane }: Proposal): boolean {
  return (
    totalMiB >= (goal.minMiB ?? 0) &&
    priceCents <= (goal.maxPriceCents ?? Number.POSITIVE_INFINITY) &&
    openSlots >= (goal.minOpenSlots ?? 0) &&
    (goal.lanes == null || goal.lanes.includes(lane))
  );
}

/** The usable offers that the goal leaves: not left out, and of an origin that one of its lanes can hold. */
function wished(planCase: PlanCase, usable: readonly number[], { without, lanes }: Goal): number[] {
  return usable.filter((index) => {
    const offer = planCase.offers[index];
    if (offer === undefined || without?.includes(offer.id)) return false;
    return lanes == null || lanes.includes('mixed') || lanes.includes(offer.origin);
  });
}

/**
 * Every set that may count, none smaller than today's: kept modules as the locks allow, with whole packs of the usable offers. Buying nothing
 * counts only where nothing is removed.
 */
export function proposals(planCase: PlanCase, board: Board, force: InForce, usable: readonly number[]): Proposal[] {
  const goal = planCase.goal ?? {};
  const maxOffers = goal.maxOffers ?? DEFAULT_MAX_OFFERS;
  const offers = wished(planCase, usable, goal);
  const found: Proposal[] = [];
  for (const kept of keptSets(planCase.installed)) {
    const free = board.sockets.length - kept.length;
    for (const bought of purchases(planCase.offers, offers, free, maxOffers)) {
      if (bought.length === 0 && kept.length < planCase.installed.length) continue;
      const proposal = propose(planCase, board, force, kept, bought);
      if (proposal === null || !meets(goal, proposal)) continue;
      if (proposal.totalMiB >= force.today.totalMiB) found.push(proposal);
    }
  }
  return found;
}
