import type { Board } from '../model/board';
import { commonDivisor } from '../model/common-divisor';
import type { ModuleClass } from '../placement/module-classes';
import type { CareLevel } from '../rules/care';
import type { EffectiveLimits } from '../rules/effective-limits';

/** Totals are told apart in so many steps at most. */
const STEPS = 256;
const CARES = 3;

/**
 * The least price of all plans that are at least so good in everything else, so that dearer ones need not be looked at.
 * Totals are rounded, on the safe side.
 */
export class PriceFloor {
  readonly #prices: Float64Array;
  readonly #step: number;
  readonly #steps: number;
  readonly #rates: readonly number[];
  readonly #open: number;

  /**
   * @param largestMiB no total is larger
   * @param unitMiB all totals are multiples of it
   * @param rates running rates that occur, ascending, MT/s
   */
  constructor(largestMiB: number, unitMiB: number, sockets: number, rates: readonly number[]) {
    this.#step = Math.max(1, unitMiB, Math.ceil(largestMiB / STEPS));
    this.#steps = Math.ceil(largestMiB / this.#step);
    this.#rates = rates;
    this.#open = sockets + 1;
    this.#prices = new Float64Array(CARES * rates.length * this.#open * (this.#steps + 1)).fill(
      Number.POSITIVE_INFINITY,
    );
  }

  #at(care: CareLevel, rate: number, open: number, step: number): number {
    return ((care * this.#rates.length + rate) * this.#open + open) * (this.#steps + 1) + step;
  }

  /**
   * Infinity where no plan is known to be as good.
   *
   * @param fullRateMTs the rate at which all channels together would give the plan's bandwidth
   */
  least(care: CareLevel, fullRateMTs: number, openSlots: number, totalMiB: number): number {
    return this.leastAt(this.placeOf(care, fullRateMTs, openSlots, totalMiB));
  }

  /** Where {@link least} looks, the same in all floors of a case; -1: nowhere. */
  placeOf(care: CareLevel, fullRateMTs: number, openSlots: number, totalMiB: number): number {
    let rate = 0;
    while (rate < this.#rates.length && (this.#rates[rate] ?? 0) < fullRateMTs) rate++;
    if (rate === this.#rates.length) return -1;
    return this.#at(care, rate, openSlots, Math.ceil(totalMiB / this.#step));
  }

  leastAt(place: number): number {
    return place < 0 ? Number.POSITIVE_INFINITY : (this.#prices[place] ?? Number.POSITIVE_INFINITY);
  }

  /** Takes up the price of a plan, see {@link least}. */
  put(care: CareLevel, fullRateMTs: number, openSlots: number, totalMiB: number, cents: number): void {
    let fastest = this.#rates.length - 1;
    while (fastest >= 0 && (this.#rates[fastest] ?? 0) > fullRateMTs) fastest--;
    const largest = Math.min(this.#steps, Math.floor(totalMiB / this.#step));
    for (let more = care; more < CARES; more++) {
      for (let rate = fastest; rate >= 0; rate--) {
        if (!this.#lower(more, rate, openSlots, largest, cents)) break;
      }
    }
  }

  /** Lowers the prices of this and of all that is less good; false where they are low already. */
  #lower(care: CareLevel, rate: number, openSlots: number, largest: number, cents: number): boolean {
    let any = false;
    for (let open = openSlots; open >= 0; open--) {
      const base = this.#at(care, rate, open, 0);
      let step = largest;
      while (step >= 0 && (this.#prices[base + step] ?? 0) > cents) this.#prices[base + step--] = cents;
      if (step === largest) break;
      any = true;
    }
    return any;
  }
}

/** Makes floors for the plans of a case. */
export function floorsFor(
  board: Board,
  force: EffectiveLimits,
  moduleClasses: readonly ModuleClass[],
): () => PriceFloor {
  const sizes = [...new Set(moduleClasses.map(({ placementClass }) => placementClass.capacityMiB))];
  const most = force.today.totalMiB + sizes.reduce((a, b) => Math.max(a, b), 0) * board.sockets.length;
  const { official, proven } = force.total;
  const ceiling = official === null ? most : Math.min(most, Math.max(official, proven ?? 0));
  const rates = [...new Set(moduleClasses.flatMap(({ boardMTs }) => boardMTs ?? []))].sort((a, b) => a - b);
  const unit = [...sizes, force.today.totalMiB].reduce(commonDivisor);
  return () => new PriceFloor(ceiling, unit, board.sockets.length, rates);
}
