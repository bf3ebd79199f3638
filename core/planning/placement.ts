import { bandwidthMBs, largestChannelMiB } from './bandwidth';
import { type Board, type Layout, type Piece, piecesOf } from './board';
import { CARES, type CareReason, careRank, careReasons, fixedReasons, type SetFacts } from './care';
import { compareLists } from './compare-lists';
import type { InForce } from './in-force';
import { bareStand, evenDemand, type Level, Levels } from './packing/levels';
import { bestOutcome, type Outcome, type SetSpeed } from './packing/outcome';
import { Packing } from './packing/packing';
import { type Guest, seats } from './packing/seats';
import { Shapes } from './packing/shape';
import { ANYWHERE, type Demand } from './packing/stand';
import { boardRateUnder, smallestCap } from './running-rate';
import { latenciesDiffer, type Make, Makes } from './search/makes';

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

/** Modules that are bought with one offer. */
export interface Bought {
  /** place in the case's offers */
  offer: number;
  modules: number;
  make: Make;
  /** as a placement shows them */
  piece: Piece;
}

function factsOf(there: readonly Make[], bought: readonly Bought[]): SetFacts {
  const bodies = [...there, ...bought.map(({ make }) => make)].map(({ body }) => body);
  const thereMiB = there.reduce((sum, { body }) => sum + body.capacityMiB, 0);
  return {
    totalMiB: bought.reduce((sum, { make, modules }) => sum + modules * make.body.capacityMiB, thereMiB),
    ecc: bodies.some(({ ecc }) => ecc),
    nonEcc: bodies.some(({ ecc }) => !ecc),
    largestBoughtMiB: Math.max(0, ...bought.map(({ make }) => make.body.capacityMiB)),
  };
}

/** Null where a module allows no rate of the board. */
function speedOf(makes: readonly Make[], care: number): SetSpeed | null {
  const rates = makes.map(({ boardMTs }) => boardMTs).filter((rate) => rate !== null);
  if (rates.length < makes.length) return null;
  const differ = makes.some((one) => makes.some((other) => latenciesDiffer(one, other)));
  return { leastMTs: Math.min(...rates), mostMTs: Math.max(...rates), latenciesDiffer: differ, care };
}

/** Places sets of a case's modules, and knows what they give there. */
export class Places {
  readonly shapes: Shapes;
  readonly makes: Makes;
  readonly levels: Levels;
  readonly #packing: Packing;
  readonly #soldered: number[];
  readonly #solderedMakes: readonly Make[];
  readonly #installedMakes: readonly Make[];
  readonly #known = new Map<string, readonly number[] | null>();

  constructor(
    private readonly board: Board,
    private readonly force: InForce,
  ) {
    this.shapes = new Shapes(board);
    this.makes = new Makes(board, force, this.shapes);
    this.#packing = new Packing(board, this.shapes.list);
    this.#solderedMakes = piecesOf(board.soldered).map((piece) => this.makes.of(piece));
    this.#installedMakes = board.installed.map((piece, index) => this.makes.of(piece, board.home[index]));
    this.#soldered = board.soldered.map((piece) => (piece === null ? -1 : this.shapes.numberOf(piece)));
    this.levels = new Levels(board, force.boardRates, this.#packing, this.shapes.list, this.#soldered);
  }

  /**
   * The placement to use for a set of kept and bought modules: least care, then most bandwidth, then fewest moves, then
   * the fill order, then kept before bought. Null where every placement is refused.
   *
   * @param kept places in `installed`, ascending
   * @param bought by offer, ascending
   */
  best(kept: readonly number[], bought: readonly Bought[]): Placed | null {
    const { board, force } = this;
    const makes = [...this.#solderedMakes, ...kept.map((index) => this.#installedMakes[index] as Make)];
    const facts = factsOf(makes, bought);
    const fixed = fixedReasons(facts, force, board);
    const speed = speedOf([...makes, ...bought.map(({ make }) => make)], careRank(fixed));
    if (speed === null) return null;
    const outcome = bestOutcome(this.#levelsOf(kept, bought, facts.totalMiB), speed, force.today);
    if (outcome === null) return null;
    const pieces = [
      ...kept.map((index) => board.installed[index] as Piece),
      ...bought.flatMap(({ piece, modules }) => new Array<Piece>(modules).fill(piece)),
    ];
    const layouts = outcome.levels.flatMap((level) => {
      const seated = this.#seats(kept, bought, this.#demand(level, outcome, facts.totalMiB));
      if (seated === null) return [];
      return [board.soldered.map((piece, slot) => piece ?? pieces[seated[slot] ?? -1] ?? null)];
    });
    const [best] = layouts.length < 2 ? layouts : layouts.sort((a, b) => comparePlaced(board, a, b));
    return best === undefined ? null : judge(board, force, best, fixed);
  }

  /** Sets that are alike in shapes and in which are of one offer sit alike. */
  #seats(kept: readonly number[], bought: readonly Bought[], demand: Demand): readonly number[] | null {
    const { channel, fullest, matched } = demand;
    const shapes = bought.map(({ make, modules }) => `${make.body.shape}x${modules}`);
    const wanted = `${channel.rule} ${channel.mib} ${fullest.least} ${fullest.most} ${matched}`;
    const key = `${kept.join()}|${shapes.join()}|${wanted}`;
    const known = this.#known.get(key);
    if (known !== undefined) return known;
    const stay = kept.map((index): Guest => {
      return { shape: this.#installedMakes[index]?.body.shape ?? -1, home: this.board.home[index] ?? -1, token: index };
    });
    const come = bought.flatMap(({ make, modules, offer }): Guest[] => {
      const guest = { shape: make.body.shape, home: -1, token: this.board.installed.length + offer };
      return new Array<Guest>(modules).fill(guest);
    });
    const bare = bareStand(this.board, this.#soldered, []).slots;
    const seated = seats(this.board, this.#packing, bare, [...stay, ...come], demand);
    this.#known.set(key, seated);
    return seated;
  }

  #levelsOf(kept: readonly number[], bought: readonly Bought[], totalMiB: number): readonly Level[] {
    const counts = new Array<number>(this.shapes.list.length).fill(0);
    let mostRanks = 0;
    const count = ({ body }: Make, modules: number): void => {
      counts[body.shape] = (counts[body.shape] ?? 0) + modules;
      mostRanks = Math.max(mostRanks, body.ranks);
    };
    for (const { body } of this.#solderedMakes) mostRanks = Math.max(mostRanks, body.ranks);
    for (const index of kept) count(this.#installedMakes[index] as Make, 1);
    for (const { make, modules } of bought) count(make, modules);
    return this.levels.of({ counts, mostRanks, totalMiB });
  }

  /** What a placement must be like to give just this. */
  #demand({ load, share }: Level, { care, rateMTs, bandwidthMBs: wanted }: Outcome, totalMiB: number): Demand {
    const { board } = this;
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
