import type { Goal } from '../model/case';
import { compareLists } from '../model/compare-lists';
import { laneOf } from '../model/lane-and-reuse';
import type { Kept } from './kept';
import type { Chosen } from './plan';
import type { Structure } from './structure';
import { levelsOf, type StructureContext } from './structures';
import { byOffer, sumOf } from './supply/lot-figures';
import { compareLots, type Lot } from './supply/lots';
import { cheapestWay } from './supply/pick-lots';
import type { ClassOffers } from './supply/price-board';

/** The cheapest plan of at least so much. */
export type Stair = Chosen & { bought: readonly Lot[] };

/**
 * The cheapest plans by what they end at, whatever their bandwidth and care: the larger the dearer. What is no larger for
 * more is left out, so that little has to be looked at.
 */
export class Stairs {
  /** totals and prices ascending */
  #stairs: Stair[] = [];
  readonly #lists = new Map<ClassOffers, (readonly Lot[])[]>();
  readonly #minRateMTs: number;

  constructor(
    private readonly context: StructureContext,
    private readonly goal: Goal,
  ) {
    this.#minRateMTs = goal.minRateMTs ?? 0;
  }

  /** Totals and prices ascending: the first of at least so much is the cheapest of at least so much. */
  get all(): readonly Stair[] {
    return this.#stairs;
  }

  /** Takes up the cheapest way to buy a structure, if nothing as large is known for less. */
  take(kept: Kept, structure: Structure): void {
    const { totalMiB, openSlots, parts } = structure;
    if (totalMiB <= this.context.force.today.totalMiB || totalMiB < (this.goal.minMiB ?? 0)) return;
    if (openSlots < (this.goal.minOpenSlots ?? 0) || kept.leastMTs < this.#minRateMTs) return;
    const at = this.#firstOf(totalMiB);
    let least = kept.cents;
    for (const { shelf, modules } of parts) least += shelf.leastCents[modules] ?? Number.POSITIVE_INFINITY;
    if (this.#isDear(at, least)) return;
    const levels = levelsOf(this.context.places, kept, structure);
    if (!levels.some(({ capMTs }) => capMTs >= this.#minRateMTs)) return;
    const lists = parts.map(({ shelf, modules }) => this.#listOf(shelf, modules));
    const { lanes } = this.goal;
    const lots = cheapestWay(lists, (some) => lanes == null || lanes.includes(laneOf(some)));
    if (lots === null) return;
    const priceCents = kept.cents + sumOf(lots);
    if (priceCents > (this.goal.maxPriceCents ?? Number.POSITIVE_INFINITY)) return;
    const bought = byOffer(lots);
    const stair = {
      lane: laneOf(bought),
      reuse: kept.reuse,
      totalMiB,
      openSlots,
      priceCents,
      kept: kept.set.kept,
      bought,
    };
    if (!this.#isDear(at, priceCents, stair)) this.#put(at, stair);
  }

  /** The first stair of at least so much. */
  #firstOf(totalMiB: number): number {
    let [low, high] = [0, this.#stairs.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.#stairs[middle] as Stair).totalMiB < totalMiB) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** Is as much known for less? Of equals the one that begins with earlier offers stays, so that the order does not matter. */
  #isDear(at: number, cents: number, stair?: Stair): boolean {
    const known = this.#stairs[at];
    if (known === undefined || known.priceCents > cents) return false;
    if (known.priceCents < cents || stair === undefined) return known.priceCents < cents;
    return known.totalMiB > stair.totalMiB || compareStairs(known, stair) <= 0;
  }

  #put(at: number, stair: Stair): void {
    const end = this.#stairs[at]?.totalMiB === stair.totalMiB ? at + 1 : at;
    let from = at;
    while (from > 0 && (this.#stairs[from - 1] as Stair).priceCents >= stair.priceCents) from--;
    this.#stairs.splice(from, end - from, stair);
  }

  /** What can be bought of a placement class that runs as fast as is wished, the cheapest first. */
  #listOf(shelf: ClassOffers, modules: number): readonly Lot[] {
    let lists = this.#lists.get(shelf);
    if (lists === undefined) {
      lists = [];
      this.#lists.set(shelf, lists);
    }
    let list = lists[modules];
    if (list === undefined) {
      const { prices } = this.context;
      const rate = prices.rates.findIndex((one) => one >= this.#minRateMTs);
      // Of each origin the few cheapest are enough, whatever the others come from.
      list = shelf.offerClasses.flatMap((one) => prices.cheapest(one, rate, modules)).sort(compareLots);
      lists[modules] = list;
    }
    return list;
  }
}

function compareStairs(a: Stair, b: Stair): number {
  const offers = (stair: Stair) => stair.bought.map(({ offer }) => offer);
  return a.bought.length - b.bought.length || compareLists(offers(a), offers(b)) || compareLists(a.kept, b.kept);
}
