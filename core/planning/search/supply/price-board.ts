import type { ModuleClass, PlacementClass } from '../../placement/module-classes';
import type { Lot, OfferClass } from './lots';

/** Which modules are asked for, by the board rate that they would allow. */
export interface Speed {
  /** MT/s */
  rateMTs: number;
  /** those alone that allow just this rate */
  exactly: boolean;
}

/** What can be bought of one placement class. */
export interface ClassOffers {
  placementClass: PlacementClass;
  offerClasses: readonly OfferClass[];
  /** numbers of modules that some lot has, ascending */
  sizes: readonly number[];
  /** by number of modules: what they cost at least, minor units */
  leastCents: readonly number[];
}

const NONE: readonly Lot[] = [];

/** What a module of an offer class costs at least, minor units. */
function moduleCents({ lots }: OfferClass): number {
  return lots.reduce(
    (least, [cheapest], modules) => Math.min(least, (cheapest?.priceCents ?? Number.POSITIVE_INFINITY) / modules),
    Number.POSITIVE_INFINITY,
  );
}

/** Looks up what lots cost, by what is asked for. */
export class PriceBoard {
  /** board rates that any module on offer would allow, ascending, MT/s */
  readonly rates: readonly number[];
  readonly shelves: readonly ClassOffers[];
  readonly #cheapest: Lot[][][][];
  readonly #asked = new Map<OfferClass, Map<string, Lot[]>>();

  constructor(
    offerClasses: readonly OfferClass[],
    private readonly offersInPlan: number,
  ) {
    const all = offerClasses.flatMap(({ moduleClasses }) => moduleClasses);
    this.rates = [...new Set(all.flatMap(({ boardMTs }) => boardMTs ?? []))].sort((a, b) => a - b);
    const placementClasses = new Map(all.map(({ placementClass }) => [placementClass.nr, placementClass]));
    // What ends at more for less tells early that the rest need not be looked at.
    const largestFirst = [...placementClasses.values()].sort((a, b) => b.capacityMiB - a.capacityMiB);
    this.shelves = largestFirst.map((placementClass) => {
      const own = offerClasses
        .filter((offerClass) => offerClass.placementClass === placementClass.nr)
        .sort((a, b) => moduleCents(a) - moduleCents(b));
      const sizes = new Set(own.flatMap(({ lots }) => lots.flatMap((some, size) => (some.length > 0 ? [size] : []))));
      const leastCents: number[] = [];
      for (const size of sizes) {
        const each = own.map(({ lots }) => lots[size]?.[0]?.priceCents ?? Number.POSITIVE_INFINITY);
        leastCents[size] = each.reduce((least, cents) => Math.min(least, cents), Number.POSITIVE_INFINITY);
      }
      return { placementClass, offerClasses: own, sizes: [...sizes].sort((a, b) => a - b), leastCents };
    });
    this.#cheapest = offerClasses.map((offerClass) => this.#cheapestOf(offerClass));
  }

  #cheapestOf(offerClass: OfferClass): Lot[][][] {
    return this.rates.map((rate) =>
      offerClass.lots.map((lots) => {
        const few: Lot[] = [];
        for (const lot of lots) {
          if ((lot.moduleClass.boardMTs ?? 0) >= rate) few.push(lot);
          if (few.length === this.offersInPlan) break;
        }
        return few;
      }),
    );
  }

  /**
   * The cheapest lots of an offer class that allow a rate, as many as there may be different offers in a plan.
   *
   * @param rate place in `rates`
   */
  cheapest(offerClass: OfferClass, rate: number, modules: number): readonly Lot[] {
    return this.#cheapest[offerClass.nr]?.[rate]?.[modules] ?? NONE;
  }

  /**
   * All lots of a speed that come into question beside what is kept.
   *
   * @param besideKey names what is kept, as far as `beside` goes
   * @param beside which module classes come into question
   */
  asked(
    offerClass: OfferClass,
    speed: Speed,
    modules: number,
    besideKey: string,
    beside: (moduleClass: ModuleClass) => boolean,
  ): readonly Lot[] {
    const key = `${modules} ${speed.rateMTs} ${speed.exactly} ${besideKey}`;
    const own = this.#asked.get(offerClass) ?? new Map<string, Lot[]>();
    this.#asked.set(offerClass, own);
    const known = own.get(key);
    if (known !== undefined) return known;
    const found = (offerClass.lots[modules] ?? []).filter(({ moduleClass }) => {
      const rate = moduleClass.boardMTs ?? 0;
      return (speed.exactly ? rate === speed.rateMTs : rate >= speed.rateMTs) && beside(moduleClass);
    });
    own.set(key, found);
    return found;
  }
}
