import { type Board, type Piece, piecesOf } from './board';
import { totalMiB } from './capacity-of';
import type { Goal, Lane, PlanCase } from './case';
import { keptSets, type Purchase, purchases } from './combinations';
import { countedSpeed } from './counted-speed';
import type { Candidate, Reuse } from './frontier';
import type { InForce } from './in-force';
import { bestPlacement, type Placed } from './placement';
import { mixRefusals } from './refuse-set';

/** Different offers in one plan where the goal does not say. */
const DEFAULT_MAX_OFFERS = 2;

function laneOf(planCase: PlanCase, bought: readonly Purchase[]): Lane {
  const origins = new Set(bought.map(({ offer }) => planCase.offers[offer]?.origin ?? 'used'));
  const [only] = origins;
  if (only === undefined) return 'none';
  return origins.size === 1 ? only : 'mixed';
}

function reuseOf(installed: number, kept: number, bought: number): Reuse {
  if (kept === installed) return bought === 0 ? 'rearrange' : 'add';
  return kept === 0 ? 'replace' : 'swap';
}

/** Price of a plan: units x price + labour - credits of what is removed, in minor units. */
export function priceCents(planCase: PlanCase, kept: readonly number[], bought: readonly Purchase[]): number {
  const parts = bought.reduce((sum, { offer, count }) => sum + count * (planCase.offers[offer]?.priceCents ?? 0), 0);
  const credits = planCase.installed.reduce(
    (sum, one, index) => sum + (kept.includes(index) ? 0 : (one.creditCents ?? 0)),
    0,
  );
  return parts + (planCase.labourCents ?? 0) - credits;
}

/** Kept modules first, then the bought ones by offer; the order that the rules of placement speak of. */
export function piecesFor(
  planCase: PlanCase,
  board: Board,
  kept: readonly number[],
  bought: readonly Purchase[],
): Piece[] {
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

/** Does a plan lie within what is wished for? */
function meets(goal: Goal, plan: Omit<Candidate, 'placed' | 'reuse' | 'kept' | 'bought'>, rateMTs: number): boolean {
  return (
    plan.totalMiB >= (goal.minMiB ?? 0) &&
    plan.priceCents <= (goal.maxPriceCents ?? Number.POSITIVE_INFINITY) &&
    plan.openSlots >= (goal.minOpenSlots ?? 0) &&
    rateMTs >= (goal.minRateMTs ?? 0) &&
    (goal.lanes == null || goal.lanes.includes(plan.lane))
  );
}

/**
 * Remembers placements of sets that are alike in everything but price: what is kept, and which modules in which
 * number, in the order of the offers.
 */
class PlacementMemory {
  private readonly known = new Map<string, Placed | null>();
  private readonly shapes: readonly string[];

  constructor(
    private readonly board: Board,
    private readonly force: InForce,
    planCase: PlanCase,
  ) {
    const bodies = planCase.offers.map(({ module }) => JSON.stringify(module));
    this.shapes = bodies.map((body) => String(bodies.indexOf(body)));
  }

  place(kept: readonly number[], bought: readonly Purchase[], pieces: readonly Piece[]): Placed | null {
    const counts = bought.map(
      ({ offer }) => `${this.shapes[offer]}x${pieces.filter((one) => isOf(one, offer)).length}`,
    );
    const key = `${kept.join()}|${counts.join()}`;
    const known = this.known.get(key);
    if (known !== undefined) return known === null ? null : withOffers(known, pieces);
    const placed = bestPlacement(this.board, this.force, pieces);
    this.known.set(key, placed);
    return placed;
  }
}

const isOf = (piece: Piece, offer: number): boolean => piece.source.from === 'offer' && piece.source.index === offer;

/** A remembered placement with this set's own offers in it, first for first. */
function withOffers(placed: Placed, pieces: readonly Piece[]): Placed {
  const offersOf = (list: readonly Piece[]) => [
    ...new Set(list.flatMap(({ source }) => (source.from === 'offer' ? [source.index] : []))),
  ];
  const were = offersOf(piecesOf(placed.layout)).sort((a, b) => a - b);
  const are = offersOf(pieces).sort((a, b) => a - b);
  const layout = placed.layout.map((piece) => {
    if (piece === null || piece.source.from !== 'offer') return piece;
    const offer = are[were.indexOf(piece.source.index)];
    return pieces.find((one) => offer !== undefined && isOf(one, offer)) ?? piece;
  });
  return { ...placed, layout };
}

/** Every plan that counts: it gives more than today, breaks no rule and meets the goal. */
export function* candidates(
  planCase: PlanCase,
  board: Board,
  force: InForce,
  usable: readonly number[],
): Generator<Candidate> {
  const goal = planCase.goal ?? {};
  const memory = new PlacementMemory(board, force, planCase);
  const soldered = piecesOf(board.soldered);
  const { today } = force;
  for (const kept of keptSets(planCase.installed)) {
    const free = board.sockets.length - kept.length;
    for (const bought of purchases(planCase.offers, usable, free, goal.maxOffers ?? DEFAULT_MAX_OFFERS)) {
      if (bought.length === 0 && kept.length < planCase.installed.length) continue;
      const pieces = piecesFor(planCase, board, kept, bought);
      const all = [...soldered, ...pieces];
      const plan = {
        lane: laneOf(planCase, bought),
        totalMiB: totalMiB(all),
        priceCents: priceCents(planCase, kept, bought),
        openSlots: board.sockets.length - pieces.length,
      };
      if (plan.totalMiB < today.totalMiB || !meets(goal, plan, Number.POSITIVE_INFINITY)) continue;
      if (mixRefusals(all, board, force).length > 0) continue;
      const placed = memory.place(kept, bought, pieces);
      if (placed === null || !meets(goal, plan, placed.rateMTs)) continue;
      if (plan.totalMiB === today.totalMiB && placed.bandwidthMBs <= today.bandwidthMBs) continue;
      yield { ...plan, reuse: reuseOf(board.installed.length, kept.length, bought.length), kept, bought, placed };
    }
  }
}
