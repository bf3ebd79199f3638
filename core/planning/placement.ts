import { effectiveChannels, largestChannelMiB } from './bandwidth';
import { type Board, piecesOf } from './board';
import { slotCapacities } from './capacity-of';
import {
  CARES,
  type CareReason,
  careRank,
  careReasons,
  fixedReasons,
  type SetFacts,
  unevenChannels,
  unmatchedBank,
} from './care';
import type { Offer } from './case';
import { compareLists } from './compare-lists';
import type { InForce } from './in-force';
import { bareStand, evenDemand, type Level, Levels } from './packing/levels';
import { bestOutcome, type Outcome, type SetSpeed } from './packing/outcome';
import { Packing } from './packing/packing';
import { type Guest, seats } from './packing/seats';
import { Shapes } from './packing/shape';
import { ANYWHERE, type Demand } from './packing/stand';
import { latenciesDiffer, type Make, Makes } from './search/makes';

/** Modules that are bought with one offer. */
export interface Bought {
  /** place in the case's offers */
  offer: number;
  modules: number;
  make: Make;
}

/** Where modules sit, with what depends on that alone. */
interface Seating {
  /** slots of the kept modules, in the order of `installed` */
  kept: readonly number[];
  /** slots of the bought ones, by offer, each in the case's order */
  bought: readonly (readonly number[])[];
  effectiveChannels: number;
  uneven: boolean;
  unmatched: boolean;
  /** the better placement of the same modules has the lower of these */
  order: readonly number[];
}

/** A set in its places, with what it gives there. */
export interface Placed {
  seating: Seating;
  /** running rate, MT/s */
  rateMTs: number;
  bandwidthMBs: number;
  reasons: readonly CareReason[];
  /** place in CARES */
  care: number;
}

function factsOf(there: readonly Make[], bought: readonly Bought[]): SetFacts {
  const facts = { totalMiB: 0, ecc: false, nonEcc: false, largestBoughtMiB: 0 };
  const count = ({ body }: Make, modules: number): void => {
    facts.totalMiB += modules * body.capacityMiB;
    if (body.ecc) facts.ecc = true;
    else facts.nonEcc = true;
  };
  for (const make of there) count(make, 1);
  for (const { make, modules } of bought) {
    count(make, modules);
    facts.largestBoughtMiB = Math.max(facts.largestBoughtMiB, make.body.capacityMiB);
  }
  return facts;
}

/** Null where a module allows no rate of the board. */
function speedOf(makes: readonly Make[], care: number): SetSpeed | null {
  let [leastMTs, mostMTs] = [Number.POSITIVE_INFINITY, 0];
  let differ = false;
  for (let nr = 0; nr < makes.length; nr++) {
    const make = makes[nr] as Make;
    if (make.boardMTs === null) return null;
    leastMTs = Math.min(leastMTs, make.boardMTs);
    mostMTs = Math.max(mostMTs, make.boardMTs);
    for (let other = 0; other < nr && !differ; other++) differ = latenciesDiffer(make, makes[other] as Make);
  }
  return { leastMTs, mostMTs, latenciesDiffer: differ, care };
}

/** Places sets of a case's modules, and knows what they give there. */
export class Places {
  readonly shapes: Shapes;
  readonly makes: Makes;
  readonly levels: Levels;
  readonly #packing: Packing;
  readonly #bare: readonly number[];
  readonly #soldered: readonly Make[];
  readonly #installed: readonly Make[];
  readonly #known = new Map<string, Seating | null>();

  constructor(
    private readonly board: Board,
    private readonly force: InForce,
    offers: readonly Offer[],
  ) {
    const there = [...piecesOf(board.soldered), ...board.installed];
    const ranks = [...there, ...offers].map(({ module }) => module.ranks ?? 0);
    this.shapes = new Shapes(
      board,
      ranks.reduce((most, one) => Math.max(most, one), 0),
    );
    this.makes = new Makes(board, force, this.shapes);
    this.#packing = new Packing(board, this.shapes.list, this.shapes.countsRanks);
    this.#soldered = piecesOf(board.soldered).map((piece) => this.makes.of(piece));
    this.#installed = board.installed.map((piece, index) => this.makes.of(piece, board.home[index]));
    const soldered = board.soldered.map((piece) => (piece === null ? -1 : this.shapes.numberOf(piece)));
    this.#bare = bareStand(board, soldered, []).slots;
    this.levels = new Levels(board, force.boardRates, this.#packing, this.shapes.list, soldered);
  }

  /** The makes of what is soldered and of some of the installed modules. */
  makesOf(kept: readonly number[]): Make[] {
    return [...this.#soldered, ...kept.map((index) => this.#installed[index] as Make)];
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
    const makes = this.makesOf(kept);
    const facts = factsOf(makes, bought);
    for (const { make } of bought) makes.push(make);
    const fixed = fixedReasons(facts, force, board);
    const speed = speedOf(makes, careRank(fixed));
    if (speed === null) return null;
    const found = bestOutcome(this.#levelsOf(kept, bought, facts.totalMiB), speed, force.today);
    if (found === null) return null;
    const { outcome, levels } = found;
    let best: Seating | null = null;
    for (const level of levels) {
      const seating = this.#seating(kept, bought, this.#demand(level, outcome, facts.totalMiB));
      if (seating !== null && (best === null || compareLists(seating.order, best.order) < 0)) best = seating;
    }
    if (best === null) return null;
    const { mixedRate, slower, rateMTs, bandwidthMBs, care } = outcome;
    const { uneven, unmatched } = best;
    const standing = { latenciesDiffer: speed.latenciesDiffer, mixedRate, slower, uneven, unmatched };
    return { seating: best, rateMTs, bandwidthMBs, care, reasons: careReasons(standing, fixed) };
  }

  /** Sets that are alike in shapes and in which are of one offer sit alike. */
  #seating(kept: readonly number[], bought: readonly Bought[], demand: Demand): Seating | null {
    const { channel, fullest, matched } = demand;
    let key = `${channel.rule} ${channel.mib} ${fullest.least} ${fullest.most} ${matched}`;
    for (const index of kept) key += ` ${index}`;
    for (const { make, modules } of bought) key += `:${make.body.shape}x${modules}`;
    const known = this.#known.get(key);
    if (known !== undefined) return known;
    const { board } = this;
    const stay = kept.map((index): Guest => {
      return { shape: this.#installed[index]?.body.shape ?? -1, home: board.home[index] ?? -1, token: index };
    });
    const come = bought.flatMap(({ make, modules, offer }): Guest[] => {
      const guest = { shape: make.body.shape, home: -1, token: board.installed.length + offer };
      return new Array<Guest>(modules).fill(guest);
    });
    const guests = [...stay, ...come];
    const seated = seats(board, this.#packing, this.#bare, guests, demand);
    const seating = seated === null ? null : this.#seatingOf(seated, guests, bought);
    this.#known.set(key, seating);
    return seating;
  }

  #seatingOf(seated: readonly number[], guests: readonly Guest[], bought: readonly Bought[]): Seating {
    const { board, shapes } = this;
    const slotsOf = (token: number) => board.sockets.filter((slot) => guests[seated[slot] ?? -1]?.token === token);
    const capacities = slotCapacities(board.soldered).map(
      (mib, slot) => mib + (shapes.list[guests[seated[slot] ?? -1]?.shape ?? -1]?.capacityMiB ?? 0),
    );
    const filled = board.sockets.filter((slot) => (seated[slot] ?? -1) >= 0);
    const moved = filled.filter((slot) => {
      const home = guests[seated[slot] ?? -1]?.home ?? -1;
      return home >= 0 && home !== slot;
    });
    const positions = filled.map((slot) => board.fillPosition[slot] ?? 0).sort((a, b) => a - b);
    const tokens = filled.map((slot) => guests[seated[slot] ?? -1]?.token ?? 0);
    return {
      kept: guests.flatMap(({ home, token }) => (home < 0 ? [] : slotsOf(token))),
      bought: bought.map(({ offer }) => slotsOf(board.installed.length + offer)),
      effectiveChannels: effectiveChannels(board, capacities),
      uneven: unevenChannels(board, capacities),
      unmatched: unmatchedBank(board, capacities),
      order: [moved.length, ...positions, ...tokens],
    };
  }

  #levelsOf(kept: readonly number[], bought: readonly Bought[], totalMiB: number): readonly Level[] {
    const counts = new Array<number>(this.shapes.list.length).fill(0);
    let mostRanks = 0;
    for (const { body } of this.#soldered) mostRanks = Math.max(mostRanks, body.ranks);
    const count = ({ body }: Make, modules: number): void => {
      counts[body.shape] = (counts[body.shape] ?? 0) + modules;
      mostRanks = Math.max(mostRanks, body.ranks);
    };
    for (const index of kept) count(this.#installed[index] as Make, 1);
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
