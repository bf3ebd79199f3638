import type { Board } from '../model/board';
import type { PlanCase } from '../model/case';
import { laneOf } from '../model/lane-and-reuse';
import type { Level } from '../placement/packing/levels';
import { bestOutcome, outcomeOfLevel, type PackingOutcome, type SetSpeed } from '../placement/packing/outcome';
import type { Places } from '../placement/placement';
import { fullRateMTs } from '../rules/bandwidth';
import { type CareLevel, CLEAR } from '../rules/care';
import type { EffectiveLimits } from '../rules/effective-limits';
import type { Candidates, Cell, Group } from './candidates';
import { clash, type Kept, keptOf } from './kept';
import type { KeptSet } from './kept-sets';
import { type Structure, structureOf } from './structure';
import { levelsOf, Structures } from './structures';
import { byOffer, sameLots, slowestOf, sumOf } from './supply/lot-figures';
import type { Lot, OfferClass } from './supply/lots';
import { cheapestWay } from './supply/pick-lots';
import type { PriceBoard, Speed } from './supply/price-board';
import { UpperBound } from './upper-bound';

/** What a search knows of its case. */
export interface SearchContext {
  planCase: PlanCase;
  board: Board;
  force: EffectiveLimits;
  places: Places;
  prices: PriceBoard;
  /** different offers in one plan, at most */
  offersInPlan: number;
  candidates: Candidates;
  /** sets without this offer class do not count; null: all do */
  must: OfferClass | null;
}

const NO_OFFER: readonly Lot[] = [];

/**
 * Puts every set that may be shown among the candidates: what is kept, with modules of some placement classes from as many offers,
 * each time the cheapest for what the set would give.
 */
export class Search {
  readonly #found: Lot[] = [];
  readonly #otherFound: Lot[] = [];

  readonly #structures: Structures;

  constructor(private readonly context: SearchContext) {
    this.#structures = new Structures(context, (kept, structure) => this.#weigh(kept, structure));
  }

  /** All sets that keep just this and buy from so many offers, step by step; told is the share of it that is done. */
  *take(set: KeptSet, offers: number): Generator<number> {
    const kept = keptOf(set, this.context.board, this.context.planCase);
    if (kept === null) return;
    if (offers === 0) {
      const { must, planCase } = this.context;
      if (must === null && set.kept.length === planCase.installed.length) this.#rearrange(kept);
      return;
    }
    yield* this.#structures.of(kept, offers);
  }

  #rearrange(kept: Kept): void {
    const { board, force, candidates, planCase } = this.context;
    const structure = structureOf(board, force, kept, []);
    if (structure === null || structure.totalMiB === 0) return;
    const found = bestOutcome(
      levelsOf(this.context.places, kept, structure),
      this.#speed(kept, structure, NO_OFFER),
      force.today,
    );
    if (found === null || found.outcome.bandwidthMBs <= force.today.bandwidthMBs) return;
    const { outcome } = found;
    if (outcome.rateMTs < (planCase.goal?.minRateMTs ?? 0)) return;
    const priceCents = kept.cents;
    const { totalMiB, openSlots } = structure;
    candidates.group('none', 'rearrange').cell(totalMiB, openSlots).add({
      lane: 'none',
      reuse: 'rearrange',
      totalMiB,
      openSlots,
      priceCents,
      care: outcome.care,
      bandwidthMBs: outcome.bandwidthMBs,
      kept: kept.set.kept,
      bought: [],
    });
  }

  #speed(kept: Kept, { care }: Structure, lots: readonly Lot[]): SetSpeed {
    let { leastMTs, mostMTs } = kept;
    for (const { moduleClass } of lots) {
      leastMTs = Math.min(leastMTs, moduleClass.boardMTs ?? 0);
      mostMTs = Math.max(mostMTs, moduleClass.boardMTs ?? 0);
    }
    return { leastMTs, mostMTs, latenciesDiffer: kept.differ || clash(kept, lots), care };
  }

  /** Prices a structure from every choice of origins. */
  #weigh(kept: Kept, structure: Structure): void {
    const { must, planCase, candidates } = this.context;
    const lanes = planCase.goal?.lanes ?? null;
    const fastestMTs = this.context.prices.rates[this.#fastest(kept.leastMTs)] ?? 0;
    const { channelCount } = this.context.board;
    const upperBound = new UpperBound(structure, channelCount, Math.min(kept.leastMTs, fastestMTs), () =>
      levelsOf(this.context.places, kept, structure),
    );
    const offerClasses: OfferClass[] = [];
    const choose = (at: number): void => {
      const part = structure.parts[at];
      if (part === undefined) {
        const lane = laneOf(offerClasses);
        if (must !== null && !offerClasses.includes(must)) return;
        if (lanes !== null && !lanes.includes(lane)) return;
        this.#price(kept, structure, offerClasses, upperBound, candidates.group(lane, kept.reuse));
        return;
      }
      const before = structure.parts[at - 1];
      const alike = before !== undefined && before.shelf === part.shelf && before.modules === part.modules;
      const last = offerClasses[at - 1];
      // Of two parts that are alike the order does not matter.
      const from = alike && last !== undefined ? part.shelf.offerClasses.indexOf(last) : 0;
      for (let nr = from; nr < part.shelf.offerClasses.length; nr++) {
        const offerClass = part.shelf.offerClasses[nr];
        if (offerClass === undefined || (offerClass.lots[part.modules]?.length ?? 0) === 0) continue;
        offerClasses[at] = offerClass;
        choose(at + 1);
      }
    };
    choose(0);
  }

  /** The cheapest ways to buy a structure from these offer classes, for everything that they may give. */
  #price(
    kept: Kept,
    structure: Structure,
    offerClasses: readonly OfferClass[],
    upperBound: UpperBound,
    group: Group,
  ): void {
    const { planCase, prices, force } = this.context;
    const minRateMTs = planCase.goal?.minRateMTs ?? 0;
    const least = this.#cheapest(structure, offerClasses, 0, null);
    if (least === null) return;
    const leastCents = kept.cents + sumOf(least);
    if (upperBound.isDear(group.floor, leastCents)) return;
    if (!upperBound.isAsked) {
      upperBound.ask();
      if (upperBound.isDear(group.floor, leastCents)) return;
    }
    const level = upperBound.only;
    if (level === null) {
      if (upperBound.levels.length > 1) this.#priceByRates(kept, structure, offerClasses, upperBound.levels, group);
      return;
    }
    const cell = group.cell(structure.totalMiB, structure.openSlots);
    let before: readonly Lot[] | null = null;
    // What is faster than the load allows gives no more, and costs no less.
    for (let nr = this.#fastest(Math.min(kept.leastMTs, level.capMTs)); nr >= 0; nr--) {
      const rateMTs = Math.min(kept.leastMTs, prices.rates[nr] ?? 0);
      if (rateMTs < minRateMTs) return;
      const lots = this.#cheapest(structure, offerClasses, nr, before);
      if (lots === null) continue;
      const cents = kept.cents + sumOf(lots);
      let given: PackingOutcome | null = null;
      if (before === null || !sameLots(lots, before)) {
        before = lots;
        const most = upperBound.bandwidthAt(Math.min(kept.leastMTs, slowestOf(lots)));
        if (this.#mayCount(cell, structure, upperBound.care, most, cents)) {
          given = outcomeOfLevel(level, this.#speed(kept, structure, lots), force.today);
          this.#add(cell, kept, structure, lots, given);
        }
      }
      if (upperBound.care > CLEAR || kept.differ || given?.care === CLEAR) continue;
      if (!this.#mayCount(cell, structure, CLEAR, upperBound.bandwidthAt(rateMTs), cents)) continue;
      this.#priceClear(cell, kept, structure, offerClasses, nr, level);
    }
  }

  /** Is there something as good for less? */
  #isDear(
    { floor }: Pick<Cell, 'floor'>,
    structure: Structure,
    care: CareLevel,
    bandwidth: number,
    cents: number,
  ): boolean {
    const full = fullRateMTs(bandwidth, this.context.board.channelCount);
    return floor.least(care, full, structure.openSlots, structure.totalMiB) < cents;
  }

  /** May a plan with such figures be shown, for all that is known so far? */
  #mayCount(cell: Cell, structure: Structure, care: CareLevel, bandwidth: number, cents: number): boolean {
    if (!this.#rises(structure.totalMiB, bandwidth) || this.#isDear(cell, structure, care, bandwidth, cents))
      return false;
    return !cell.beats(cents, bandwidth, care);
  }

  /** Is it more than today? */
  #rises(totalMiB: number, bandwidth: number): boolean {
    const { today } = this.context.force;
    return totalMiB > today.totalMiB || bandwidth > today.bandwidthMBs;
  }

  /** The place in `rates` of the slowest that is as fast as what is kept: none faster gives more. */
  #fastest(leastMTs: number): number {
    const { rates } = this.context.prices;
    const nr = rates.findIndex((rate) => rate >= leastMTs);
    return nr < 0 ? rates.length - 1 : nr;
  }

  /**
   * The cheapest lots of some offer classes that allow a rate. They stay what they are until the next but one are asked for.
   *
   * @param before what was found before, if it is still needed
   */
  #cheapest(
    { parts }: Structure,
    offerClasses: readonly OfferClass[],
    rate: number,
    before: readonly Lot[] | null,
  ): readonly Lot[] | null {
    const { prices } = this.context;
    const lots = before === this.#found ? this.#otherFound : this.#found;
    if (lots.length !== parts.length) lots.length = parts.length;
    for (let at = 0; at < parts.length; at++) {
      const offerClass = offerClasses[at] as OfferClass;
      const modules = parts[at]?.modules ?? 0;
      const first = prices.cheapest(offerClass, rate, modules)[0];
      if (first === undefined) return null;
      // No offer may come twice.
      if (offerClasses.indexOf(offerClass) < at) {
        return cheapestWay(
          parts.map((part, nr) => prices.cheapest(offerClasses[nr] as OfferClass, rate, part.modules)),
          ANY_WAY,
        );
      }
      lots[at] = first;
    }
    return lots;
  }

  /** The cheapest way that need not be minded at all, where all modules run at one rate. */
  #priceClear(
    cell: Cell,
    kept: Kept,
    structure: Structure,
    offerClasses: readonly OfferClass[],
    rate: number,
    level: Level,
  ): void {
    const { prices, force } = this.context;
    const speed = this.#clearSpeed(kept, rate, level.capMTs);
    if (speed === null) return;
    const { rateMTs } = speed;
    const all: SetSpeed = { leastMTs: rateMTs, mostMTs: rateMTs, latenciesDiffer: false, care: CLEAR };
    const outcome = outcomeOfLevel(level, all, force.today);
    if (outcome.care > CLEAR) return;
    const lists = structure.parts.map(({ modules }, at) =>
      prices.asked(offerClasses[at] as OfferClass, speed, modules, kept.timedKey, kept.beside),
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
    const { rates } = this.context.prices;
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
  #priceByRates(
    kept: Kept,
    structure: Structure,
    offerClasses: readonly OfferClass[],
    levels: readonly Level[],
    group: Group,
  ): void {
    const { prices, force } = this.context;
    const cell = group.cell(structure.totalMiB, structure.openSlots);
    const rates: number[] = [];
    const choose = (at: number): void => {
      if (at < offerClasses.length) {
        for (const rate of prices.rates) {
          rates[at] = rate;
          choose(at + 1);
        }
        return;
      }
      const lists = structure.parts.map(({ modules }, nr) =>
        prices.asked(
          offerClasses[nr] as OfferClass,
          { rateMTs: rates[nr] ?? 0, exactly: true },
          modules,
          '',
          () => true,
        ),
      );
      for (const differ of [false, true]) {
        const lots = cheapestWay(lists, (some) => (kept.differ || clash(kept, some)) === differ);
        if (lots === null) continue;
        const best = bestOutcome(levels, this.#speed(kept, structure, lots), force.today);
        if (best !== null) this.#add(cell, kept, structure, lots, best.outcome);
      }
    };
    choose(0);
  }

  #add(cell: Cell, kept: Kept, structure: Structure, lots: readonly Lot[], outcome: PackingOutcome): void {
    const { totalMiB, openSlots } = structure;
    const { care, bandwidthMBs, rateMTs } = outcome;
    const { lane, reuse } = cell;
    const priceCents = kept.cents + sumOf(lots);
    if (rateMTs < (this.context.planCase.goal?.minRateMTs ?? 0)) return;
    if (!this.#mayCount(cell, structure, care, bandwidthMBs, priceCents)) return;
    const full = fullRateMTs(bandwidthMBs, this.context.board.channelCount);
    const stay = kept.set.kept;
    const bought = byOffer(lots);
    const plan = { lane, reuse, totalMiB, priceCents, bandwidthMBs, care, openSlots, kept: stay, bought };
    this.context.candidates.add(cell, plan, full);
  }
}

const ANY_WAY = (): boolean => true;
