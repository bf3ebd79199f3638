import { bandwidthOf } from '../bandwidth';
import type { Board } from '../board';
import { careRank, fixedReasons } from '../care';
import type { PlanCase } from '../case';
import type { InForce } from '../in-force';
import { laneOf, reuseOf } from '../lane-and-reuse';
import type { Level } from '../packing/levels';
import { bestOutcome, type Outcome, outcomeOfLevel, type SetSpeed } from '../packing/outcome';
import type { Places } from '../placement';
import { mixRefusals } from '../refuse-set';
import type { Candidates } from './candidates';
import type { KeptSet } from './kept-sets';
import type { Lot, Ware } from './lots';
import { type Body, latenciesDiffer, type Make } from './makes';
import { cheapestWay } from './pick-lots';
import type { PriceBoard, Shelf, Speed } from './price-board';

/** What a search knows of its case. */
export interface Ground {
  planCase: PlanCase;
  board: Board;
  force: InForce;
  places: Places;
  prices: PriceBoard;
  /** different offers in one plan, at most */
  offersInPlan: number;
  candidates: Candidates;
}

/** So many modules of one body, from one offer. */
interface Part {
  shelf: Shelf;
  modules: number;
}

/** What is kept, as far as the rules look at it. */
interface Kept {
  set: KeptSet;
  bodies: Body[];
  leastMTs: number;
  mostMTs: number;
  /** makes whose CL is known */
  timed: Make[];
  timedKey: string;
  differ: boolean;
  totalMiB: number;
  mostRanks: number;
  free: number;
}

/** Parts beside what is kept, before anything is chosen of what offers them. */
interface Structure {
  parts: readonly Part[];
  bought: number;
  totalMiB: number;
  openSlots: number;
  /** sure wherever the modules stand and whatever their speed */
  care: number;
  largestMiB: number;
}

const CLEAR = 0;
const NO_OFFER: readonly Lot[] = [];

function keptOf(set: KeptSet, board: Board): Kept | null {
  const rates = set.makes.map(({ boardMTs }) => boardMTs);
  if (rates.includes(null)) return null;
  const known = rates.filter((rate) => rate !== null);
  const makes = [...new Set(set.makes)];
  const timed = makes.filter(({ casLatency }) => casLatency !== null);
  return {
    set,
    bodies: [...new Set(makes.map(({ body }) => body))],
    leastMTs: Math.min(Number.POSITIVE_INFINITY, ...known),
    mostMTs: Math.max(0, ...known),
    timed,
    timedKey: timed.map(({ rateMTs, casLatency }) => `${rateMTs}/${casLatency}`).join(),
    differ: timed.some((one) => timed.some((other) => latenciesDiffer(one, other))),
    totalMiB: set.makes.reduce((sum, { body }) => sum + body.capacityMiB, 0),
    mostRanks: Math.max(0, ...makes.map(({ body }) => body.ranks)),
    free: board.sockets.length - set.kept.length,
  };
}

/**
 * Puts every set that may be shown among the candidates: what is kept, with modules of some bodies from as many offers,
 * each time the cheapest for what the set would give.
 */
export class Search {
  constructor(private readonly ground: Ground) {}

  /** All sets that keep just this. */
  take(set: KeptSet): void {
    const kept = keptOf(set, this.ground.board);
    if (kept === null) return;
    if (set.kept.length === this.ground.planCase.installed.length) this.#rearrange(kept);
    this.#choose(kept, [], 0, 0);
  }

  #rearrange(kept: Kept): void {
    const { force, candidates, planCase } = this.ground;
    const structure = this.#structure(kept, []);
    if (structure === null || structure.totalMiB === 0) return;
    const outcome = bestOutcome(this.#levels(kept, structure), this.#speed(kept, structure, NO_OFFER), force.today);
    if (outcome === null || outcome.bandwidthMBs <= force.today.bandwidthMBs) return;
    const priceCents = planCase.labourCents ?? 0;
    const { totalMiB, openSlots } = structure;
    candidates.cell('none', 'rearrange', totalMiB, openSlots).add({
      ...{ lane: 'none', reuse: 'rearrange', totalMiB, openSlots, priceCents },
      ...{ care: outcome.care, bandwidthMBs: outcome.bandwidthMBs, rateMTs: outcome.rateMTs },
      ...{ kept: kept.set.kept, bought: [] },
    });
  }

  /** Every choice of parts, each after those before it by body and number. */
  #choose(kept: Kept, parts: readonly Part[], from: number, bought: number): void {
    const { prices, offersInPlan } = this.ground;
    if (parts.length === offersInPlan) return;
    const last = parts.at(-1);
    for (let nr = from; nr < prices.shelves.length; nr++) {
      const shelf = prices.shelves[nr];
      if (shelf === undefined) continue;
      for (const modules of shelf.sizes) {
        if (bought + modules > kept.free) break;
        if (last?.shelf === shelf && modules < last.modules) continue;
        const own = [...parts, { shelf, modules }];
        const structure = this.#structure(kept, own);
        // What cannot be together cannot be with more beside it either.
        if (structure === null) continue;
        if (structure.totalMiB >= this.ground.force.today.totalMiB) this.#weigh(kept, structure);
        this.#choose(kept, own, nr, bought + modules);
      }
    }
  }

  #structure(kept: Kept, parts: readonly Part[]): Structure | null {
    const { board, force } = this.ground;
    const bodies = parts.map(({ shelf }) => shelf.body);
    const all = [...kept.bodies, ...bodies];
    let totalMiB = kept.totalMiB;
    let bought = 0;
    for (const { shelf, modules } of parts) {
      totalMiB += modules * shelf.body.capacityMiB;
      bought += modules;
    }
    if (mixRefusals(all, totalMiB, force).length > 0) return null;
    const facts = {
      totalMiB,
      ecc: all.some(({ ecc }) => ecc),
      nonEcc: all.some(({ ecc }) => !ecc),
      largestBoughtMiB: Math.max(0, ...bodies.map(({ capacityMiB }) => capacityMiB)),
    };
    return {
      ...{ parts, bought, totalMiB, openSlots: kept.free - bought },
      care: careRank(fixedReasons(facts, force, board)),
      largestMiB: Math.max(...all.map(({ capacityMiB }) => capacityMiB)),
    };
  }

  #levels(kept: Kept, { parts, totalMiB }: Structure): readonly Level[] {
    const counts = new Array<number>(this.ground.places.shapes.list.length).fill(0);
    for (const shape of kept.set.shapes) counts[shape] = (counts[shape] ?? 0) + 1;
    for (const { shelf, modules } of parts) counts[shelf.body.shape] = (counts[shelf.body.shape] ?? 0) + modules;
    const mostRanks = Math.max(kept.mostRanks, ...parts.map(({ shelf }) => shelf.body.ranks));
    return this.ground.places.levels.of({ counts, mostRanks, totalMiB });
  }

  #speed(kept: Kept, { care }: Structure, lots: readonly Lot[]): SetSpeed {
    const makes = lots.map(({ make }) => make);
    const rates = makes.map(({ boardMTs }) => boardMTs ?? 0);
    return {
      leastMTs: Math.min(kept.leastMTs, ...rates),
      mostMTs: Math.max(kept.mostMTs, ...rates),
      latenciesDiffer: kept.differ || makes.some((make) => this.#clashes(kept, makes, make)),
      care,
    };
  }

  #clashes({ timed }: Kept, makes: readonly Make[], make: Make): boolean {
    return timed.some((other) => latenciesDiffer(other, make)) || makes.some((other) => latenciesDiffer(other, make));
  }

  /** Prices a structure from every choice of origins, once it is known what its places give. */
  #weigh(kept: Kept, structure: Structure): void {
    let known: readonly Level[] | null = null;
    const levels = (): readonly Level[] => {
      known ??= rivalsOf(this.#levels(kept, structure));
      return known;
    };
    const wares: Ware[] = [];
    const choose = (at: number): void => {
      const part = structure.parts[at];
      if (part === undefined) {
        this.#price(kept, structure, wares, levels);
        return;
      }
      const before = structure.parts[at - 1];
      const alike = before !== undefined && before.shelf === part.shelf && before.modules === part.modules;
      const last = wares[at - 1];
      // Of two parts that are alike the order does not matter.
      const from = alike && last !== undefined ? part.shelf.wares.indexOf(last) : 0;
      for (let nr = from; nr < part.shelf.wares.length; nr++) {
        const ware = part.shelf.wares[nr];
        if (ware === undefined || (ware.lots[part.modules]?.length ?? 0) === 0) continue;
        wares[at] = ware;
        choose(at + 1);
      }
    };
    choose(0);
  }

  /** The cheapest ways to buy a structure from these wares, for everything that they may give. */
  #price(kept: Kept, structure: Structure, wares: readonly Ware[], levels: () => readonly Level[]): void {
    const { candidates, board, force } = this.ground;
    const { totalMiB, openSlots } = structure;
    const reuse = reuseOf(this.ground.board.installed.length, kept.set.kept.length, wares.length);
    const cell = candidates.cell(laneOf(wares.map(({ origin }) => origin)), reuse, totalMiB, openSlots);
    const best = { totalMiB, largestMiB: Math.max(totalMiB / board.channelCount, structure.largestMiB) };
    const rises = (bandwidth: number) => totalMiB > force.today.totalMiB || bandwidth > force.today.bandwidthMBs;
    const clear: number[] = [];
    let before: readonly Lot[] | null = null;
    for (let nr = this.#fastest(kept.leastMTs); nr >= 0; nr--) {
      const lots = this.#cheapest(structure, wares, nr);
      if (lots === null || (before !== null && lots.every((lot, at) => lot === before?.[at]))) continue;
      before = lots;
      const cents = this.#cents(kept, lots);
      const rateMTs = Math.min(kept.leastMTs, ...lots.map(({ make }) => make.boardMTs ?? 0));
      const most = bandwidthOf(rateMTs, best);
      if (!rises(most) || cell.beats(cents, most, structure.care, rateMTs)) continue;
      const [level, ...more] = levels();
      if (level === undefined) return;
      if (more.length > 0) {
        this.#priceByRates(kept, structure, wares, levels());
        return;
      }
      const outcome = outcomeOfLevel(level, this.#speed(kept, structure, lots), force.today);
      if (outcome.care === CLEAR) clear.push(outcome.rateMTs);
      if (rises(outcome.bandwidthMBs)) this.#add(kept, structure, lots, outcome);
    }
    if (structure.care > CLEAR || kept.differ) return;
    this.#priceClear(kept, structure, wares, levels, clear);
  }

  /** The place in `rates` of the slowest that is as fast as what is kept: none faster gives more. */
  #fastest(leastMTs: number): number {
    const { rates } = this.ground.prices;
    const nr = rates.findIndex((rate) => rate >= leastMTs);
    return nr < 0 ? rates.length - 1 : nr;
  }

  #cheapest({ parts }: Structure, wares: readonly Ware[], rate: number): readonly Lot[] | null {
    const { prices } = this.ground;
    const lists = parts.map(({ modules }, at) => prices.cheapest(wares[at] as Ware, rate, modules));
    const apart = wares.every((ware, at) => wares.indexOf(ware) === at);
    if (!apart) return cheapestWay(lists, () => true);
    const lots = lists.flatMap(([first]) => first ?? []);
    return lots.length < parts.length ? null : lots;
  }

  #cents(kept: Kept, lots: readonly Lot[]): number {
    return lots.reduce(
      (sum, { priceCents }) => sum + priceCents,
      (this.ground.planCase.labourCents ?? 0) - kept.set.creditCents,
    );
  }

  /** The cheapest ways that need not be minded at all, where places allow that; `done`: rates that have theirs. */
  #priceClear(
    kept: Kept,
    structure: Structure,
    wares: readonly Ware[],
    levels: () => readonly Level[],
    done: readonly number[],
  ): void {
    const { prices, force } = this.ground;
    const [level] = levels();
    if (level === undefined || !level.even) return;
    const beside = (make: Make) => !kept.timed.some((other) => latenciesDiffer(other, make));
    for (const speed of this.#clearSpeeds(kept, level.capMTs)) {
      const outcome = outcomeOfLevel(
        level,
        { leastMTs: speed.rateMTs, mostMTs: speed.rateMTs, latenciesDiffer: false, care: CLEAR },
        force.today,
      );
      if (done.includes(outcome.rateMTs) || outcome.care > CLEAR) continue;
      const lists = structure.parts.map(({ modules }, at) =>
        prices.asked(wares[at] as Ware, speed, modules, kept.timedKey, beside),
      );
      const lots = cheapestWay(lists, (some) => !some.some(({ make }) => this.#clashes(kept, makesOf(some), make)));
      if (lots === null) continue;
      const rises = structure.totalMiB > force.today.totalMiB || outcome.bandwidthMBs > force.today.bandwidthMBs;
      if (rises) this.#add(kept, structure, lots, outcome);
    }
  }

  /** Speeds at which all modules run at one rate, given a cap on all of them. */
  #clearSpeeds({ leastMTs, mostMTs }: Kept, capMTs: number): Speed[] {
    if (leastMTs < Number.POSITIVE_INFINITY) {
      const rateMTs = Math.min(leastMTs, capMTs);
      return rateMTs === Math.min(mostMTs, capMTs) ? [{ rateMTs, exactly: rateMTs < capMTs }] : [];
    }
    const below = this.ground.prices.rates.filter((rate) => rate < capMTs);
    const speeds = below.map((rateMTs) => ({ rateMTs, exactly: true }));
    return capMTs === Number.POSITIVE_INFINITY ? speeds : [...speeds, { rateMTs: capMTs, exactly: false }];
  }

  /**
   * Where the load of the fullest channel decides between less care and more bandwidth, each choice of rates is looked at by
   * itself, with and without a difference in CL.
   */
  #priceByRates(kept: Kept, structure: Structure, wares: readonly Ware[], levels: readonly Level[]): void {
    const { prices, force } = this.ground;
    const rates: number[] = [];
    const choose = (at: number): void => {
      if (at < wares.length) {
        for (const rate of prices.rates) {
          rates[at] = rate;
          choose(at + 1);
        }
        return;
      }
      const lists = structure.parts.map(({ modules }, nr) =>
        prices.asked(wares[nr] as Ware, { rateMTs: rates[nr] ?? 0, exactly: true }, modules, '', () => true),
      );
      for (const differ of [false, true]) {
        const lots = cheapestWay(
          lists,
          (some) => (kept.differ || some.some(({ make }) => this.#clashes(kept, makesOf(some), make))) === differ,
        );
        if (lots === null) continue;
        const outcome = bestOutcome(levels, this.#speed(kept, structure, lots), force.today);
        if (outcome === null) continue;
        if (structure.totalMiB === force.today.totalMiB && outcome.bandwidthMBs <= force.today.bandwidthMBs) continue;
        this.#add(kept, structure, lots, outcome);
      }
    };
    choose(0);
  }

  #add(kept: Kept, { totalMiB, openSlots }: Structure, lots: readonly Lot[], outcome: Outcome): void {
    const { candidates, planCase, board } = this.ground;
    const lane = laneOf(lots.map(({ offer }) => planCase.offers[offer]?.origin ?? 'used'));
    const reuse = reuseOf(board.installed.length, kept.set.kept.length, lots.length);
    const priceCents = this.#cents(kept, lots);
    const { care, bandwidthMBs, rateMTs } = outcome;
    const cell = candidates.cell(lane, reuse, totalMiB, openSlots);
    if (cell.beats(priceCents, bandwidthMBs, care, rateMTs)) return;
    const bought = lots.map(({ offer, count }) => ({ offer, count })).sort((a, b) => a.offer - b.offer);
    const figures = { totalMiB, priceCents, bandwidthMBs, care, openSlots };
    cell.add({ lane, reuse, ...figures, rateMTs, kept: kept.set.kept, bought });
  }
}

const makesOf = (lots: readonly Lot[]): Make[] => lots.map(({ make }) => make);

/**
 * The levels that can be the best for some choice of modules. A lower cap is worth a look where it brings more channels to
 * work, or lets modules of several rates run as one.
 */
function rivalsOf(levels: readonly Level[]): readonly Level[] {
  const channels = ({ share }: Level) => share.totalMiB / share.largestMiB;
  return levels.filter((level, at) => {
    if (level.even) return levels.slice(0, at).every((higher) => higher.capMTs > level.capMTs);
    return levels.slice(0, at).every((higher) => channels(higher) < channels(level));
  });
}
