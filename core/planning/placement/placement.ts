import { type Board, piecesOf } from '../model/board';
import type { Offer } from '../model/case';
import { compareLists } from '../model/compare-lists';
import { effectiveChannels, largestChannelMiB } from '../rules/bandwidth';
import { slotCapacities } from '../rules/capacity-of';
import {
  CARES,
  type CareReason,
  careRank,
  careReasons,
  fixedReasons,
  unevenChannels,
  unmatchedBank,
} from '../rules/care';
import type { InForce } from '../rules/in-force';
import type { Bought } from './bought';
import { inside } from './inside';
import { type Make, Makes } from './makes';
import { bareStand, evenDemand, type Level, Levels } from './packing/levels';
import { bestOutcome, type Outcome, speedOf } from './packing/outcome';
import { Packing } from './packing/packing';
import { type Guest, seats } from './packing/seats';
import { Shapes } from './packing/shape';
import { ANYWHERE, type Demand } from './packing/stand';
import { factsWith, makeStayers, type Stayers } from './stayers';

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
  readonly #stayersOf = new WeakMap<readonly number[], Stayers>();

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
    const stay = this.#stayers(kept);
    const makes = [...stay.makes];
    for (const { make } of bought) makes.push(make);
    const facts = factsWith(stay.facts, bought);
    const fixed = fixedReasons(facts, force, board);
    const speed = speedOf(makes, careRank(fixed));
    if (speed === null) return null;
    const found = bestOutcome(this.#levelsOf(stay, bought, facts.totalMiB), speed, force.today);
    if (found === null) return null;
    const { outcome, levels } = found;
    let best: Seating | null = null;
    for (const level of levels) {
      const seating = this.#seating(stay, bought, this.#demand(level, outcome, facts.totalMiB));
      if (seating !== null && (best === null || compareLists(seating.order, best.order) < 0)) best = seating;
    }
    if (best === null) return null;
    const { mixedRate, slower, rateMTs, bandwidthMBs, care } = outcome;
    const { uneven, unmatched } = best;
    const standing = { latenciesDiffer: speed.latenciesDiffer, mixedRate, slower, uneven, unmatched };
    return { seating: best, rateMTs, bandwidthMBs, care, reasons: careReasons(standing, fixed) };
  }

  #stayers(kept: readonly number[]): Stayers {
    const known = this.#stayersOf.get(kept);
    if (known !== undefined) return known;
    const stayers = makeStayers(this.board, this.shapes, kept, this.makesOf(kept));
    this.#stayersOf.set(kept, stayers);
    return stayers;
  }

  /** Sets that are alike in shapes and in which are of one offer sit alike. */
  #seating({ guests: stay, key: kept }: Stayers, bought: readonly Bought[], demand: Demand): Seating | null {
    const { channel, fullest, matched } = demand;
    let key = `${kept}:${channel.rule} ${channel.mib} ${fullest.least} ${fullest.most} ${matched}`;
    for (const { make, modules } of bought) key += `:${make.body.shape}x${modules}`;
    const known = this.#known.get(key);
    if (known !== undefined) return known;
    const { board } = this;
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
    const capacities = slotCapacities(board.soldered);
    const byToken = new Map<number, number[]>();
    const positions: number[] = [];
    const tokens: number[] = [];
    let moved = 0;
    for (const slot of board.sockets) {
      const guest = guests[seated[slot] ?? -1];
      if (guest === undefined) continue;
      capacities[slot] = (capacities[slot] ?? 0) + (shapes.list[guest.shape]?.capacityMiB ?? 0);
      if (guest.home >= 0 && guest.home !== slot) moved++;
      positions.push(board.fillPosition[slot] ?? 0);
      tokens.push(guest.token);
      inside(byToken, guest.token, () => []).push(slot);
    }
    const slotsOf = (token: number) => byToken.get(token) ?? [];
    return {
      kept: guests.flatMap(({ home, token }) => (home < 0 ? [] : slotsOf(token))),
      bought: bought.map(({ offer }) => slotsOf(board.installed.length + offer)),
      effectiveChannels: effectiveChannels(board, capacities),
      uneven: unevenChannels(board, capacities),
      unmatched: unmatchedBank(board, capacities),
      order: [moved, ...positions.sort((a, b) => a - b), ...tokens],
    };
  }

  #levelsOf(stay: Stayers, bought: readonly Bought[], totalMiB: number): readonly Level[] {
    // Shapes may have come since the stayers were counted.
    const counts = this.shapes.list.map((_, nr) => stay.counts[nr] ?? 0);
    let { mostRanks } = stay;
    for (const { make, modules } of bought) {
      const { shape, ranks } = make.body;
      counts[shape] = (counts[shape] ?? 0) + modules;
      mostRanks = Math.max(mostRanks, ranks);
    }
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
