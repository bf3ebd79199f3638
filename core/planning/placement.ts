import { bandwidthMBs, largestChannelMiB } from './bandwidth';
import { type Board, type Layout, type Piece, piecesOf } from './board';
import { CARES, type CareReason, careRank, careReasons, factsOf, fixedReasons, latenciesDiffer } from './care';
import { compareLists } from './compare-lists';
import type { InForce } from './in-force';
import { bareStand, evenDemand, type Level, Levels } from './packing/levels';
import { bestOutcome, type Outcome, type SetSpeed } from './packing/outcome';
import { Packing } from './packing/packing';
import { type Guest, seats } from './packing/seats';
import { Shapes } from './packing/shape';
import { ANYWHERE, type Demand } from './packing/stand';
import { boardRateUnder, capOf, smallestCap } from './running-rate';
import { Makes } from './search/makes';

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

/** Kept modules in their order before bought ones in theirs. */
function order(board: Board, { source }: Piece): number {
  if (source.from === 'soldered') return -1;
  return source.from === 'installed' ? source.index : board.installed.length + source.index;
}

/** Below 0 where `a` is the better placement of the same set, which gives the same there. */
function comparePlaced(board: Board, a: Layout, b: Layout): number {
  const moved = (layout: Layout) =>
    layout.filter((piece, slot) => piece?.source.from === 'installed' && board.home[piece.source.index] !== slot)
      .length;
  const filled = (layout: Layout) =>
    board.sockets
      .flatMap((slot) => (layout[slot] == null ? [] : [board.fillPosition[slot] ?? 0]))
      .sort((x, y) => x - y);
  const orders = (layout: Layout) => piecesOf(layout).map((piece) => order(board, piece));
  return moved(a) - moved(b) || compareLists(filled(a), filled(b)) || compareLists(orders(a), orders(b));
}

/** By slot the place in the set's pieces of who sits there, or -1; with what the set gives so. */
interface Seated {
  seats: readonly number[];
  judged: Omit<Placed, 'layout'>;
}

/** Places sets of a case's modules, and knows what they give there. */
export class Places {
  readonly shapes: Shapes;
  readonly makes: Makes;
  readonly levels: Levels;
  readonly #packing: Packing;
  readonly #soldered: number[];
  readonly #known = new Map<string, Seated | null>();

  constructor(
    private readonly board: Board,
    private readonly force: InForce,
  ) {
    this.shapes = new Shapes(board);
    this.makes = new Makes(board, force, this.shapes);
    this.#packing = new Packing(board, this.shapes.list);
    this.#soldered = board.soldered.map((piece) => (piece === null ? -1 : this.shapes.numberOf(piece)));
    this.levels = new Levels(board, force.boardRates, this.#packing, this.shapes.list, this.#soldered);
  }

  /**
   * The placement to use for a set of kept and bought modules: least care, then most bandwidth, then fewest moves, then
   * the fill order, then kept before bought. Null where every placement is refused.
   *
   * @param pieces kept ones in the order of `installed`, then bought ones in that of the offers
   */
  best(pieces: readonly Piece[]): Placed | null {
    // Sets that are alike in all but who offers them go into the same places.
    const key = pieces.map((piece) => this.#tokenOf(piece, pieces)).join();
    const known = this.#known.get(key);
    const seated = known === undefined ? this.#find(pieces) : known;
    this.#known.set(key, seated);
    if (seated === null) return null;
    const layout = this.board.soldered.map((piece, slot) => piece ?? pieces[seated.seats[slot] ?? -1] ?? null);
    return { ...seated.judged, layout };
  }

  #tokenOf(piece: Piece, pieces: readonly Piece[]): string {
    const { source } = piece;
    if (source.from !== 'offer') return source.from === 'installed' ? `${source.index}` : '';
    // Of offers alike it matters which modules are of one offer.
    const first = pieces.findIndex((one) => one.source.from === 'offer' && one.source.index === source.index);
    return `${first}:${this.makes.of(piece).nr}`;
  }

  #find(pieces: readonly Piece[]): Seated | null {
    const { board, force } = this;
    const all = [...piecesOf(board.soldered), ...pieces];
    const fixed = fixedReasons(factsOf(all), force, board);
    const speed = this.#speedOf(all, careRank(fixed));
    if (speed === null) return null;
    const outcome = bestOutcome(this.#levelsOf(pieces, all), speed, force.today);
    if (outcome === null) return null;
    const guests = pieces.map((piece) => this.#guest(piece));
    const layoutOf = (seated: readonly number[]): Layout =>
      board.soldered.map((piece, slot) => piece ?? pieces[seated[slot] ?? -1] ?? null);
    let best: number[] | null = null;
    for (const level of outcome.levels) {
      const bare = bareStand(board, this.#soldered, []).slots;
      const found = seats(board, this.#packing, bare, guests, this.#demand(level, outcome, all));
      if (found === null) continue;
      if (best === null || comparePlaced(board, layoutOf(found), layoutOf(best)) < 0) best = found;
    }
    if (best === null) return null;
    const { layout: _, ...judged } = judge(board, force, layoutOf(best), fixed);
    return { seats: best, judged };
  }

  #guest(piece: Piece): Guest {
    const { source } = piece;
    const home = source.from === 'installed' ? (this.board.home[source.index] ?? -1) : -1;
    return { shape: this.shapes.ofPiece(piece), home, token: order(this.board, piece) };
  }

  #speedOf(all: readonly Piece[], care: number): SetSpeed | null {
    const { board, force } = this;
    const caps = all.map((piece) => boardRateUnder(force.boardRates, capOf(piece, board, Number.POSITIVE_INFINITY)));
    const known = caps.filter((cap) => cap !== null);
    if (known.length < caps.length) return null;
    return { leastMTs: Math.min(...known), mostMTs: Math.max(...known), latenciesDiffer: latenciesDiffer(all), care };
  }

  #levelsOf(pieces: readonly Piece[], all: readonly Piece[]): readonly Level[] {
    const counts: number[] = [];
    for (const piece of pieces) {
      const shape = this.shapes.ofPiece(piece);
      counts[shape] = (counts[shape] ?? 0) + 1;
    }
    return this.levels.of({
      counts: Array.from(counts, (count) => count ?? 0),
      mostRanks: Math.max(0, ...all.map(({ module }) => module.ranks ?? 0)),
      totalMiB: all.reduce((sum, { module }) => sum + module.capacityMiB, 0),
    });
  }

  /** What a placement must be like to give just this. */
  #demand({ load, share }: Level, { care, rateMTs, bandwidthMBs: wanted }: Outcome, all: readonly Piece[]): Demand {
    const { board } = this;
    const totalMiB = all.reduce((sum, { module }) => sum + module.capacityMiB, 0);
    if (CARES[care] === 'clear') return evenDemand(board, totalMiB, load) ?? ANYWHERE;
    const anywhere = { ...ANYWHERE, fullest: load };
    if (board.channelCount === 1) return anywhere;
    if (board.machine.unevenChannels === 'single') {
      const working = share.totalMiB > share.largestMiB;
      return working ? { ...anywhere, channel: { rule: 'each-filled', mib: share.largestMiB } } : anywhere;
    }
    return { ...anywhere, channel: { rule: 'at-most', mib: largestChannelMiB(rateMTs, totalMiB, wanted) } };
  }
}

/** What a placement gives. */
function judge(board: Board, force: InForce, layout: Layout, fixed: readonly CareReason[]): Placed {
  const rateMTs = boardRateUnder(force.boardRates, smallestCap(board, layout) ?? 0) ?? 0;
  const bandwidth = bandwidthMBs(board, layout, rateMTs);
  const reasons = careReasons({ board, force, layout, rateMTs, bandwidthMBs: bandwidth }, fixed);
  return { layout, rateMTs, bandwidthMBs: bandwidth, reasons, care: careRank(reasons) };
}
