import { type Board, piecesOf } from '../model/board';
import type { Offer } from '../model/case';
import { compareLists } from '../model/compare-lists';
import { effectiveChannels, largestChannelMiB } from '../rules/bandwidth';
import { slotCapacities } from '../rules/capacity-of';
import {
  CARES,
  type CareLevel,
  type CareReason,
  careRank,
  careReasons,
  fixedReasons,
  unevenChannels,
  unmatchedBank,
} from '../rules/care';
import type { EffectiveLimits } from '../rules/effective-limits';
import type { Bought } from './bought';
import { inside } from './inside';
import { factsWith, type KeptModules, keptModulesFrom } from './kept-modules';
import { type ModuleClass, ModuleClasses } from './module-classes';
import { barePlacement, evenDemand, type Level, Levels } from './packing/levels';
import { bestOutcome, type PackingOutcome, speedOf } from './packing/outcome';
import { Packing } from './packing/packing';
import { ANYWHERE, type Demand } from './packing/partial-placement';
import { type ModuleToPlace, seats } from './packing/seats';
import { Shapes } from './packing/shape';

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
  care: CareLevel;
}

/** Places sets of a case's modules, and knows what they give there. */
export class Places {
  readonly shapes: Shapes;
  readonly moduleClasses: ModuleClasses;
  readonly levels: Levels;
  readonly #packing: Packing;
  readonly #bare: readonly number[];
  readonly #soldered: readonly ModuleClass[];
  readonly #installed: readonly ModuleClass[];
  readonly #known = new Map<string, Seating | null>();
  readonly #keptModulesOf = new WeakMap<readonly number[], KeptModules>();

  constructor(
    private readonly board: Board,
    private readonly force: EffectiveLimits,
    offers: readonly Offer[],
  ) {
    const there = [...piecesOf(board.soldered), ...board.installed];
    let mostRanks = 0;
    for (const { module } of there) mostRanks = Math.max(mostRanks, module.ranks ?? 0);
    for (const { module } of offers) mostRanks = Math.max(mostRanks, module.ranks ?? 0);
    this.shapes = new Shapes(board, mostRanks);
    this.moduleClasses = new ModuleClasses(board, force, this.shapes);
    this.#packing = new Packing(board, this.shapes.list, this.shapes.countsRanks);
    this.#soldered = piecesOf(board.soldered).map((piece) => this.moduleClasses.of(piece));
    this.#installed = board.installed.map((piece, index) => this.moduleClasses.of(piece, board.home[index]));
    const soldered = board.soldered.map((piece) => (piece === null ? -1 : this.shapes.numberOf(piece)));
    this.#bare = barePlacement(board, soldered, []).slots;
    this.levels = new Levels(board, force.boardRates, this.#packing, this.shapes.list, soldered);
  }

  /** The module classes of what is soldered and of some of the installed modules. */
  moduleClassesOf(kept: readonly number[]): ModuleClass[] {
    return [...this.#soldered, ...kept.map((index) => this.#installed[index] as ModuleClass)];
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
    const stay = this.#keptModules(kept);
    const moduleClasses = [...stay.moduleClasses];
    for (const { moduleClass } of bought) moduleClasses.push(moduleClass);
    const facts = factsWith(stay.facts, bought);
    const fixed = fixedReasons(facts, force, board);
    const speed = speedOf(moduleClasses, careRank(fixed));
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

  #keptModules(kept: readonly number[]): KeptModules {
    const known = this.#keptModulesOf.get(kept);
    if (known !== undefined) return known;
    const keptModules = keptModulesFrom(this.board, this.shapes, kept, this.moduleClassesOf(kept));
    this.#keptModulesOf.set(kept, keptModules);
    return keptModules;
  }

  /** Sets that are alike in shapes and in which are of one offer sit alike. */
  #seating(
    { modulesToPlace: stay, key: kept }: KeptModules,
    bought: readonly Bought[],
    demand: Demand,
  ): Seating | null {
    const { channel, fullest, matched } = demand;
    let key = `${kept}:${channel.rule} ${channel.mib} ${fullest.least} ${fullest.most} ${matched}`;
    for (const { moduleClass, modules } of bought) key += `:${moduleClass.placementClass.shape}x${modules}`;
    const known = this.#known.get(key);
    if (known !== undefined) return known;
    const { board } = this;
    const come = bought.flatMap(({ moduleClass, modules, offer }): ModuleToPlace[] => {
      const moduleToPlace = {
        shape: moduleClass.placementClass.shape,
        home: -1,
        token: board.installed.length + offer,
      };
      return new Array<ModuleToPlace>(modules).fill(moduleToPlace);
    });
    const modulesToPlace = [...stay, ...come];
    const seated = seats(board, this.#packing, this.#bare, modulesToPlace, demand);
    const seating = seated === null ? null : this.#seatingOf(seated, modulesToPlace, bought);
    this.#known.set(key, seating);
    return seating;
  }

  #seatingOf(seated: readonly number[], modulesToPlace: readonly ModuleToPlace[], bought: readonly Bought[]): Seating {
    const { board, shapes } = this;
    const capacities = slotCapacities(board.soldered);
    const byToken = new Map<number, number[]>();
    const positions: number[] = [];
    const tokens: number[] = [];
    let moved = 0;
    for (const slot of board.sockets) {
      const moduleToPlace = modulesToPlace[seated[slot] ?? -1];
      if (moduleToPlace === undefined) continue;
      capacities[slot] = (capacities[slot] ?? 0) + (shapes.list[moduleToPlace.shape]?.capacityMiB ?? 0);
      if (moduleToPlace.home >= 0 && moduleToPlace.home !== slot) moved++;
      positions.push(board.fillPosition[slot] ?? 0);
      tokens.push(moduleToPlace.token);
      inside(byToken, moduleToPlace.token, () => []).push(slot);
    }
    const slotsOf = (token: number) => byToken.get(token) ?? [];
    return {
      kept: modulesToPlace.flatMap(({ home, token }) => (home < 0 ? [] : slotsOf(token))),
      bought: bought.map(({ offer }) => slotsOf(board.installed.length + offer)),
      effectiveChannels: effectiveChannels(board, capacities),
      uneven: unevenChannels(board, capacities),
      unmatched: unmatchedBank(board, capacities),
      order: [moved, ...positions.sort((a, b) => a - b), ...tokens],
    };
  }

  #levelsOf(stay: KeptModules, bought: readonly Bought[], totalMiB: number): readonly Level[] {
    // Shapes may have come since the kept modules were counted.
    const counts = this.shapes.list.map((_, nr) => stay.counts[nr] ?? 0);
    let { mostRanks } = stay;
    for (const { moduleClass, modules } of bought) {
      const { shape, ranks } = moduleClass.placementClass;
      counts[shape] = (counts[shape] ?? 0) + modules;
      mostRanks = Math.max(mostRanks, ranks);
    }
    return this.levels.of({ counts, mostRanks, totalMiB });
  }

  /** What a placement must be like to give just this. */
  #demand({ load, share }: Level, { care, rateMTs, bandwidthMBs: wanted }: PackingOutcome, totalMiB: number): Demand {
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
