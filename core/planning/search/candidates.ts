import { compareLists } from '../model/compare-lists';
import type { Reuse } from '../model/lane-and-reuse';
import type { Lane } from '../model/lanes';
import { inside } from '../placement/inside';
import type { CareLevel } from '../rules/care';
import type { PriceFloor } from './price-floor';
import type { Lot } from './supply/lots';

/** The figures that plans are compared by. */
export interface Figures {
  totalMiB: number;
  priceCents: number;
  bandwidthMBs: number;
  /** place in CARES */
  care: CareLevel;
  openSlots: number;
}

/** A set that counts as a plan, before its modules have places. */
export interface Candidate extends Figures {
  lane: Lane;
  reuse: Reuse;
  /** places in `installed`, ascending */
  kept: readonly number[];
  /** by offer, ascending */
  bought: readonly Lot[];
}

/** Of plans equal in all figures, which is shown; below 0: `a`. */
export function compareEqual(a: Candidate, b: Candidate): number {
  const units = (plan: Candidate) => plan.bought.reduce((sum, { count }) => sum + count, 0);
  const offers = (plan: Candidate) => plan.bought.map(({ offer }) => offer);
  const fewerFirst = (plan: Candidate) => plan.bought.map(({ count }) => -count);
  return (
    a.bought.length - b.bought.length ||
    units(a) - units(b) ||
    compareLists(offers(a), offers(b)) ||
    compareLists(fewerFirst(a), fewerFirst(b)) ||
    compareLists(a.kept, b.kept)
  );
}

/** The candidates of one lane and reuse that end at one total with so many open slots. */
export class Cell {
  list: Candidate[] = [];

  constructor(
    readonly lane: Lane,
    readonly reuse: Reuse,
    /** the least prices of what its plans are compared with */
    readonly floor: PriceFloor,
  ) {}

  /** Is there one that is better than a plan with these figures? */
  beats(priceCents: number, bandwidthMBs: number, care: CareLevel): boolean {
    for (const one of this.list) {
      if (one.priceCents > priceCents || one.bandwidthMBs < bandwidthMBs || one.care > care) continue;
      if (one.priceCents < priceCents || one.bandwidthMBs > bandwidthMBs || one.care < care) return true;
    }
    return false;
  }

  add(plan: Candidate): void {
    const { priceCents, bandwidthMBs, care } = plan;
    let left = 0;
    for (const one of this.list) {
      const cheaper = one.priceCents < priceCents;
      if (!cheaper && one.bandwidthMBs <= bandwidthMBs && one.care >= care) {
        const equal = one.priceCents === priceCents && one.bandwidthMBs === bandwidthMBs && one.care === care;
        if (equal && compareEqual(one, plan) <= 0) return;
        continue;
      }
      if (one.priceCents <= priceCents && one.bandwidthMBs >= bandwidthMBs && one.care <= care) return;
      this.list[left++] = one;
    }
    this.list.length = left;
    this.list.push(plan);
  }
}

/** More than there are sockets. */
const SLOTS = 64;

/** Candidates of one lane and reuse. */
export class Group {
  readonly #cells = new Map<number, Cell>();

  constructor(
    readonly lane: Lane,
    readonly reuse: Reuse,
    /** the least prices of what its plans are compared with */
    readonly floor: PriceFloor,
  ) {}

  cell(totalMiB: number, openSlots: number): Cell {
    return inside(this.#cells, totalMiB * SLOTS + openSlots, () => new Cell(this.lane, this.reuse, this.floor));
  }

  all(): Candidate[] {
    const found: Candidate[] = [];
    for (const { list } of this.#cells.values()) for (const one of list) found.push(one);
    return found;
  }
}

/** The candidates, found quickly by what they end at. */
export class Candidates {
  readonly #groups = new Map<Lane, Map<Reuse, Group>>();
  readonly #anyFloor: PriceFloor;

  /** @param anyLane plans of every lane count */
  constructor(
    private readonly newFloor: () => PriceFloor,
    private readonly anyLane: boolean,
  ) {
    this.#anyFloor = newFloor();
  }

  group(lane: Lane, reuse: Reuse): Group {
    const groups = inside(this.#groups, lane, () => new Map<Reuse, Group>());
    // A mixed plan is compared with all.
    const floor = () => (lane === 'mixed' && this.anyLane ? this.#anyFloor : this.newFloor());
    return inside(groups, reuse, () => new Group(lane, reuse, floor()));
  }

  /**
   * Adds a plan to its cell, and its price to what others are compared with.
   *
   * @param fullRateMTs see {@link PriceFloor}
   */
  add(cell: Cell, plan: Candidate, fullRateMTs: number): void {
    const { care, openSlots, totalMiB, priceCents } = plan;
    cell.add(plan);
    cell.floor.put(care, fullRateMTs, openSlots, totalMiB, priceCents);
    if (this.anyLane) this.#anyFloor.put(care, fullRateMTs, openSlots, totalMiB, priceCents);
  }

  all(): Candidate[] {
    return [...this.#groups.values()].flatMap((reuses) => [...reuses.values()].flatMap((group) => group.all()));
  }
}
