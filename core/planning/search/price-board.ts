import type { Body, Make } from '../placement/makes';
import type { Lot, Ware } from './lots';

/** Which modules are asked for, by the board rate that they would allow. */
export interface Speed {
  /** MT/s */
  rateMTs: number;
  /** those alone that allow just this rate */
  exactly: boolean;
}

/** What can be bought of one body. */
export interface Shelf {
  body: Body;
  wares: readonly Ware[];
  /** numbers of modules that some lot has, ascending */
  sizes: readonly number[];
}

const NONE: readonly Lot[] = [];

/** What a module of a ware costs at least, minor units. */
function moduleCents({ lots }: Ware): number {
  return lots.reduce(
    (least, [cheapest], modules) => Math.min(least, (cheapest?.priceCents ?? Number.POSITIVE_INFINITY) / modules),
    Number.POSITIVE_INFINITY,
  );
}

/** Looks up what lots cost, by what is asked for. */
export class PriceBoard {
  /** board rates that any module on offer would allow, ascending, MT/s */
  readonly rates: readonly number[];
  readonly shelves: readonly Shelf[];
  readonly #cheapest: Lot[][][][];
  readonly #asked = new Map<Ware, Map<string, Lot[]>>();

  constructor(
    wares: readonly Ware[],
    private readonly offersInPlan: number,
  ) {
    const all = wares.flatMap(({ makes }) => makes);
    this.rates = [...new Set(all.flatMap(({ boardMTs }) => boardMTs ?? []))].sort((a, b) => a - b);
    const bodies = new Map(all.map(({ body }) => [body.nr, body]));
    // What ends at more for less tells early that the rest need not be looked at.
    const largestFirst = [...bodies.values()].sort((a, b) => b.capacityMiB - a.capacityMiB);
    this.shelves = largestFirst.map((body) => {
      const own = wares.filter((ware) => ware.body === body.nr).sort((a, b) => moduleCents(a) - moduleCents(b));
      const sizes = new Set(own.flatMap(({ lots }) => lots.flatMap((some, size) => (some.length > 0 ? [size] : []))));
      return { body, wares: own, sizes: [...sizes].sort((a, b) => a - b) };
    });
    this.#cheapest = wares.map((ware) => this.#cheapestOf(ware));
  }

  #cheapestOf(ware: Ware): Lot[][][] {
    return this.rates.map((rate) =>
      ware.lots.map((lots) => {
        const few: Lot[] = [];
        for (const lot of lots) {
          if ((lot.make.boardMTs ?? 0) >= rate) few.push(lot);
          if (few.length === this.offersInPlan) break;
        }
        return few;
      }),
    );
  }

  /**
   * The cheapest lots of a ware that allow a rate, as many as there may be different offers in a plan.
   *
   * @param rate place in `rates`
   */
  cheapest(ware: Ware, rate: number, modules: number): readonly Lot[] {
    return this.#cheapest[ware.nr]?.[rate]?.[modules] ?? NONE;
  }

  /**
   * All lots of a speed that come into question beside what is kept.
   *
   * @param besideKey names what is kept, as far as `beside` goes
   * @param beside which makes come into question
   */
  asked(ware: Ware, speed: Speed, modules: number, besideKey: string, beside: (make: Make) => boolean): readonly Lot[] {
    const key = `${modules} ${speed.rateMTs} ${speed.exactly} ${besideKey}`;
    const own = this.#asked.get(ware) ?? new Map<string, Lot[]>();
    this.#asked.set(ware, own);
    const known = own.get(key);
    if (known !== undefined) return known;
    const found = (ware.lots[modules] ?? []).filter(({ make }) => {
      const rate = make.boardMTs ?? 0;
      return (speed.exactly ? rate === speed.rateMTs : rate >= speed.rateMTs) && beside(make);
    });
    own.set(key, found);
    return found;
  }
}
