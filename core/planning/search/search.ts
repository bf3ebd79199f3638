import { bandwidthOf, fullRateMTs } from '../bandwidth';
import type { Board } from '../board';
import { careRank, fixedReasons } from '../care';
import type { Lane, PlanCase } from '../case';
import type { InForce } from '../in-force';
import { type Reuse, reuseOf } from '../lane-and-reuse';
import type { Level } from '../packing/levels';
import { bestOutcome, type Outcome, outcomeOfLevel, type SetSpeed } from '../packing/outcome';
import type { Places } from '../placement';
import { mixRefusals } from '../refuse-set';
import type { Candidates, Cell } from './candidates';
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
  /** sets without this ware do not count; null: all do */
  must: Ware | null;
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
  /** does a make run beside what is kept without a difference in CL? */
  beside: (make: Make) => boolean;
  totalMiB: number;
  largestMiB: number;
  mostRanks: number;
  free: number;
  /** what becomes of the installed modules where something is bought */
  reuse: Reuse;
  /** labour, less the credit for what is removed; minor units */
  cents: number;
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

function keptOf(set: KeptSet, { board, planCase }: Ground): Kept | null {
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
    beside: (make) => !timed.some((other) => latenciesDiffer(other, make)),
    differ: timed.some((one) => timed.some((other) => latenciesDiffer(one, other))),
    totalMiB: set.makes.reduce((sum, { body }) => sum + body.capacityMiB, 0),
    largestMiB: Math.max(0, ...makes.map(({ body }) => body.capacityMiB)),
    mostRanks: Math.max(0, ...makes.map(({ body }) => body.ranks)),
    free: board.sockets.length - set.kept.length,
    reuse: reuseOf(board.installed.length, set.kept.length, 1),
    cents: (planCase.labourCents ?? 0) - set.creditCents,
  };
}

/**
 * Puts every set that may be shown among the candidates: what is kept, with modules of some bodies from as many offers,
 * each time the cheapest for what the set would give.
 */
export class Search {
  constructor(private readonly ground: Ground) {}

  /** All sets that keep just this and buy from so many offers, step by step; told is the share of it that is done. */
  *take(set: KeptSet, offers: number): Generator<number> {
    const kept = keptOf(set, this.ground);
    if (kept === null) return;
    if (offers === 0) {
      const { must, planCase } = this.ground;
      if (must === null && set.kept.length === planCase.installed.length) this.#rearrange(kept);
      return;
    }
    const { shelves } = this.ground.prices;
    for (const [nr, shelf] of shelves.entries()) {
      for (const modules of shelf.sizes) {
        this.#choose(kept, [], { shelf, modules }, offers, 0);
        yield nr / shelves.length;
      }
    }
  }

  #rearrange(kept: Kept): void {
    const { force, candidates, planCase } = this.ground;
    const structure = this.#structure(kept, []);
    if (structure === null || structure.totalMiB === 0) return;
    const found = bestOutcome(this.#levels(kept, structure), this.#speed(kept, structure, NO_OFFER), force.today);
    if (found === null || found.outcome.bandwidthMBs <= force.today.bandwidthMBs) return;
    const { outcome } = found;
    if (outcome.rateMTs < (planCase.goal?.minRateMTs ?? 0)) return;
    const priceCents = planCase.labourCents ?? 0;
    const { totalMiB, openSlots } = structure;
    candidates.cell('none', 'rearrange', totalMiB, openSlots).add({
      ...{ lane: 'none', reuse: 'rearrange', totalMiB, openSlots, priceCents },
      ...{ care: outcome.care, bandwidthMBs: outcome.bandwidthMBs },
      ...{ kept: kept.set.kept, bought: [] },
    });
  }

  /** Every choice of so many parts that begins with these, each after those before it by body and number. */
  #choose(kept: Kept, parts: readonly Part[], next: Part, wanted: number, bought: number): void {
    const { prices, force } = this.ground;
    const taken = bought + next.modules;
    if (taken > kept.free) return;
    const own = [...parts, next];
    const structure = this.#structure(kept, own);
    // What cannot be together cannot be with more beside it either.
    if (structure === null) return;
    if (own.length === wanted) {
      if (structure.totalMiB >= force.today.totalMiB) this.#weigh(kept, structure);
      return;
    }
    for (let nr = prices.shelves.indexOf(next.shelf); nr < prices.shelves.length; nr++) {
      const shelf = prices.shelves[nr];
      if (shelf === undefined) continue;
      for (const modules of shelf.sizes) {
        if (shelf !== next.shelf || modules >= next.modules) this.#choose(kept, own, { shelf, modules }, wanted, taken);
      }
    }
  }

  #structure(kept: Kept, parts: readonly Part[]): Structure | null {
    const { board, force } = this.ground;
    const all = [...kept.bodies];
    let totalMiB = kept.totalMiB;
    let bought = 0;
    let largestBoughtMiB = 0;
    for (const { shelf, modules } of parts) {
      const { capacityMiB } = shelf.body;
      totalMiB += modules * capacityMiB;
      bought += modules;
      largestBoughtMiB = Math.max(largestBoughtMiB, capacityMiB);
      all.push(shelf.body);
    }
    if (mixRefusals(all, totalMiB, force).length > 0) return null;
    const [ecc, nonEcc] = [all.some((body) => body.ecc), all.some((body) => !body.ecc)];
    return {
      parts,
      bought,
      totalMiB,
      openSlots: kept.free - bought,
      care: careRank(fixedReasons({ totalMiB, ecc, nonEcc, largestBoughtMiB }, force, board)),
      largestMiB: Math.max(kept.largestMiB, largestBoughtMiB),
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
    let { leastMTs, mostMTs } = kept;
    for (const { make } of lots) {
      leastMTs = Math.min(leastMTs, make.boardMTs ?? 0);
      mostMTs = Math.max(mostMTs, make.boardMTs ?? 0);
    }
    return { leastMTs, mostMTs, latenciesDiffer: kept.differ || clash(kept, lots), care };
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
        const { must, planCase } = this.ground;
        const lane = laneOfWares(wares);
        if (must !== null && !wares.includes(must)) return;
        if (planCase.goal?.lanes == null || planCase.goal.lanes.includes(lane))
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
    const { candidates, board, prices, planCase } = this.ground;
    const minRateMTs = planCase.goal?.minRateMTs ?? 0;
    const { totalMiB, openSlots } = structure;
    const cell = candidates.cell(laneOfWares(wares), kept.reuse, totalMiB, openSlots);
    const share = { totalMiB, largestMiB: Math.max(totalMiB / board.channelCount, structure.largestMiB) };
    const mayBeClear = structure.care === CLEAR && !kept.differ;
    const fastest = this.#fastest(kept.leastMTs);
    const least = this.#cheapest(structure, wares, 0);
    const bestMBs = bandwidthOf(Math.min(kept.leastMTs, prices.rates[fastest] ?? 0), share);
    if (least === null || this.#isDear(cell, structure, structure.care, bestMBs, kept.cents + sumOf(least))) return;
    let before: readonly Lot[] | null = null;
    for (let nr = fastest; nr >= 0; nr--) {
      const rateMTs = Math.min(kept.leastMTs, prices.rates[nr] ?? 0);
      if (rateMTs < minRateMTs) return;
      const lots = this.#cheapest(structure, wares, nr);
      if (lots === null) continue;
      const cents = kept.cents + sumOf(lots);
      let given: Outcome | null = null;
      if (before === null || !sameLots(lots, before)) {
        before = lots;
        const most = bandwidthOf(Math.min(kept.leastMTs, slowestOf(lots)), share);
        if (this.#mayCount(cell, structure, structure.care, most, cents)) {
          const [level, other] = levels();
          if (level === undefined) return;
          if (other !== undefined) {
            this.#priceByRates(kept, structure, wares, levels());
            return;
          }
          given = outcomeOfLevel(level, this.#speed(kept, structure, lots), this.ground.force.today);
          this.#add(cell, kept, structure, lots, given);
        }
      }
      if (!mayBeClear || given?.care === CLEAR) continue;
      if (!this.#mayCount(cell, structure, CLEAR, bandwidthOf(rateMTs, share), cents)) continue;
      const [level, other] = levels();
      if (level === undefined) return;
      if (other !== undefined) {
        this.#priceByRates(kept, structure, wares, levels());
        return;
      }
      if (level.even) this.#priceClear(cell, kept, structure, wares, nr, level);
    }
  }

  /** Is there something as good for less? */
  #isDear({ floor }: Cell, structure: Structure, care: number, bandwidth: number, cents: number): boolean {
    const full = fullRateMTs(bandwidth, this.ground.board.channelCount);
    return floor.least(care, full, structure.openSlots, structure.totalMiB) < cents;
  }

  /** May a plan with such figures be shown, for all that is known so far? */
  #mayCount(cell: Cell, structure: Structure, care: number, bandwidth: number, cents: number): boolean {
    if (!this.#rises(structure.totalMiB, bandwidth) || cell.beats(cents, bandwidth, care)) return false;
    return !this.#isDear(cell, structure, care, bandwidth, cents);
  }

  /** Is it more than today? */
  #rises(totalMiB: number, bandwidth: number): boolean {
    const { today } = this.ground.force;
    return totalMiB > today.totalMiB || bandwidth > today.bandwidthMBs;
  }

  /** The place in `rates` of the slowest that is as fast as what is kept: none faster gives more. */
  #fastest(leastMTs: number): number {
    const { rates } = this.ground.prices;
    const nr = rates.findIndex((rate) => rate >= leastMTs);
    return nr < 0 ? rates.length - 1 : nr;
  }

  #cheapest({ parts }: Structure, wares: readonly Ware[], rate: number): readonly Lot[] | null {
    const { prices } = this.ground;
    const lots: Lot[] = [];
    for (let at = 0; at < parts.length; at++) {
      const ware = wares[at] as Ware;
      const modules = parts[at]?.modules ?? 0;
      const [first] = prices.cheapest(ware, rate, modules);
      if (first === undefined) return null;
      // No offer may come twice.
      if (wares.indexOf(ware) < at) {
        return cheapestWay(
          parts.map((part, nr) => prices.cheapest(wares[nr] as Ware, rate, part.modules)),
          ANY_WAY,
        );
      }
      lots.push(first);
    }
    return lots;
  }

  /** The cheapest way that need not be minded at all, where all modules run at one rate. */
  #priceClear(cell: Cell, kept: Kept, structure: Structure, wares: readonly Ware[], rate: number, level: Level): void {
    const { prices, force } = this.ground;
    const speed = this.#clearSpeed(kept, rate, level.capMTs);
    if (speed === null) return;
    const { rateMTs } = speed;
    const all = { leastMTs: rateMTs, mostMTs: rateMTs, latenciesDiffer: false, care: CLEAR };
    const outcome = outcomeOfLevel(level, all, force.today);
    if (outcome.care > CLEAR) return;
    const lists = structure.parts.map(({ modules }, at) =>
      prices.asked(wares[at] as Ware, speed, modules, kept.timedKey, kept.beside),
    );
    const lots = cheapestWay(lists, (some) => !clash(kept, some));
    if (lots !== null) this.#add(cell, kept, structure, lots, outcome);
  }

  /**
   * Which modules run at one rate with what is kept, at this of the board's rates; null: none, or those of another.
   *
   * @param capMTs a cap on all of them
   */
  #clearSpeed({ leastMTs, mostMTs }: Kept, nr: number, capMTs: number): Speed | null {
    const { rates } = this.ground.prices;
    const rateMTs = rates[nr] ?? 0;
    if (rateMTs >= capMTs) {
      const isSlowest = (rates[nr - 1] ?? 0) < capMTs;
      return isSlowest && leastMTs >= capMTs ? { rateMTs: capMTs, exactly: false } : null;
    }
    const nothingKept = leastMTs === Number.POSITIVE_INFINITY;
    return nothingKept || (leastMTs === rateMTs && mostMTs === rateMTs) ? { rateMTs, exactly: true } : null;
  }

  /**
   * Where the load of the fullest channel decides between less care and more bandwidth, each choice of rates is looked at by
   * itself, with and without a difference in CL.
   */
  #priceByRates(kept: Kept, structure: Structure, wares: readonly Ware[], levels: readonly Level[]): void {
    const { prices, force, candidates } = this.ground;
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
        const lots = cheapestWay(lists, (some) => (kept.differ || clash(kept, some)) === differ);
        if (lots === null) continue;
        const best = bestOutcome(levels, this.#speed(kept, structure, lots), force.today);
        const lane = laneOfWares(wares);
        const cell = candidates.cell(lane, kept.reuse, structure.totalMiB, structure.openSlots);
        if (best !== null) this.#add(cell, kept, structure, lots, best.outcome);
      }
    };
    choose(0);
  }

  #add(cell: Cell, kept: Kept, structure: Structure, lots: readonly Lot[], outcome: Outcome): void {
    const { totalMiB, openSlots } = structure;
    const { care, bandwidthMBs, rateMTs } = outcome;
    const { lane, reuse } = cell;
    const priceCents = kept.cents + sumOf(lots);
    if (rateMTs < (this.ground.planCase.goal?.minRateMTs ?? 0)) return;
    if (!this.#mayCount(cell, structure, care, bandwidthMBs, priceCents)) return;
    const full = fullRateMTs(bandwidthMBs, this.ground.board.channelCount);
    const byOffer = lots.length === 1 ? lots : [...lots].sort((a, b) => a.offer - b.offer);
    const stay = kept.set.kept;
    const plan = { lane, reuse, totalMiB, priceCents, bandwidthMBs, care, openSlots, kept: stay, bought: byOffer };
    this.ground.candidates.add(cell, plan, full);
  }
}

const ANY_WAY = (): boolean => true;

function laneOfWares(wares: readonly Ware[]): Lane {
  const first = wares[0]?.origin ?? 'none';
  for (const { origin } of wares) if (origin !== first) return 'mixed';
  return first;
}

function sumOf(lots: readonly Lot[]): number {
  let sum = 0;
  for (const { priceCents } of lots) sum += priceCents;
  return sum;
}

/** The board rate that the slowest of some lots would allow, MT/s. */
function slowestOf(lots: readonly Lot[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (const { make } of lots) least = Math.min(least, make.boardMTs ?? 0);
  return least;
}

function sameLots(a: readonly Lot[], b: readonly Lot[]): boolean {
  for (let at = 0; at < a.length; at++) if (a[at] !== b[at]) return false;
  return true;
}

/** Do some lots differ in CL, at one rate, among themselves or from what is kept? */
function clash({ timed }: Kept, lots: readonly Lot[]): boolean {
  for (let at = 0; at < lots.length; at++) {
    const make = lots[at]?.make;
    if (make === undefined) continue;
    for (const other of timed) if (latenciesDiffer(other, make)) return true;
    for (let more = at + 1; more < lots.length; more++) {
      const other = lots[more]?.make;
      if (other !== undefined && latenciesDiffer(other, make)) return true;
    }
  }
  return false;
}

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
