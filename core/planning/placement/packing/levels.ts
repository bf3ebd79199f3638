import type { Board } from '../../model/board';
import { commonDivisor } from '../../model/common-divisor';
import { type LoadCap, loadCaps } from '../../rules/load-caps';
import { boardRateUnder } from '../../rules/running-rate';
import type { Packing } from './packing';
import { ANYWHERE, type Demand, OPEN, type PartialPlacement } from './partial-placement';
import type { Shape } from './shape';

/** What placements of a set can give while its fullest channel holds a certain number of modules. */
export interface Level {
  load: LoadCap;
  /** the highest board rate that the load allows, MT/s; Infinity: it caps nothing */
  capMTs: number;
  /** a placement without uneven channels and unmatched banks is possible */
  even: boolean;
  /** effective channels of the best placement: MiB that count, over those of the largest channel */
  share: { totalMiB: number; largestMiB: number };
}

/** A set as far as its places go. */
export interface Load {
  /** modules by number of shape, soldered ones left out */
  counts: readonly number[];
  mostRanks: number;
  /** soldered ones too, MiB */
  totalMiB: number;
}

/** The placement in which nothing is placed but what is soldered. */
export function barePlacement(
  board: Board,
  solderedShapes: readonly number[],
  left: readonly number[],
): PartialPlacement {
  return {
    slots: board.soldered.map((piece, slot) => (piece === null ? OPEN : (solderedShapes[slot] ?? OPEN))),
    left: [...left],
    homes: board.soldered.map(() => -1),
  };
}

/**
 * What each channel has to hold for all to be even; null where that is impossible.
 *
 * @param unitMiB what every module's capacity is a multiple of
 */
export function evenDemand(
  { channelCount, machine }: Board,
  totalMiB: number,
  load: LoadCap,
  unitMiB = 1,
): Demand | null {
  const matched = machine.pairing === 'advised';
  const fullest = load;
  if (channelCount === 1) return { ...ANYWHERE, fullest, matched };
  if (totalMiB % (channelCount * unitMiB) !== 0) return null;
  return { channel: { rule: 'each', mib: totalMiB / channelCount }, fullest, matched };
}

/** Above the ranks of any module that there is. */
const MOST_RANKS = 1_024;

/** What sets of a case can give by their places, remembered for sets of the same shapes. */
export class Levels {
  readonly #known = new Map<number | string, readonly Level[]>();
  /** what is soldered of each channel, MiB, each told once */
  readonly #bases: readonly number[];
  readonly #mostSlots: number;
  /** what the capacities of the soldered modules are multiples of, MiB; 0: there are none */
  readonly #solderedUnit: number;

  constructor(
    private readonly board: Board,
    private readonly boardRates: readonly number[],
    private readonly packing: Packing,
    private readonly shapes: readonly Shape[],
    private readonly solderedShapes: readonly number[],
  ) {
    const solderedMiB = (slot: number) => board.soldered[slot]?.module.capacityMiB ?? 0;
    const bases = board.slotsOf.map((slots) => slots.reduce((sum, slot) => sum + solderedMiB(slot), 0));
    this.#bases = [...new Set(bases)];
    this.#solderedUnit = board.soldered.map((_, slot) => solderedMiB(slot)).reduce(commonDivisor, 0);
    this.#mostSlots = Math.max(...board.slotsOf.map((slots) => slots.length));
  }

  /** The levels of a set, the highest cap first; none: it cannot be placed. */
  of(load: Load): readonly Level[] {
    const key = this.#keyOf(load);
    const known = this.#known.get(key);
    if (known !== undefined) return known;
    const caps = loadCaps(this.board.machine, load.mostRanks);
    const found = caps.flatMap((cap) => this.#level(load, cap) ?? []);
    this.#known.set(key, found);
    return found;
  }

  /** A number where it is small enough: that is found the quickest. */
  #keyOf({ mostRanks, counts }: Load): number | string {
    const most = this.board.channelOf.length + 1;
    // Shapes that come later are 0 until there are any, and change nothing.
    let key = 0;
    for (let shape = counts.length - 1; shape >= 0; shape--) key = key * most + (counts[shape] ?? 0);
    key = key * MOST_RANKS + mostRanks;
    return key < Number.MAX_SAFE_INTEGER && mostRanks < MOST_RANKS ? key : `${mostRanks}|${counts.join()}`;
  }

  #level(set: Load, load: LoadCap): Level | null {
    const capMTs =
      load.maxRateMTs === Number.POSITIVE_INFINITY ? load.maxRateMTs : boardRateUnder(this.boardRates, load.maxRateMTs);
    if (capMTs === null) return null;
    const demand = evenDemand(this.board, set.totalMiB, load, this.#unitOf(set));
    if (demand !== null && this.#can(set, demand)) {
      const share = { totalMiB: set.totalMiB, largestMiB: set.totalMiB / this.board.channelCount };
      return { load, capMTs, even: true, share };
    }
    const share = this.board.machine.unevenChannels === 'single' ? this.#single(set, load) : this.#flex(set, load);
    return share === null ? null : { load, capMTs, even: false, share };
  }

  /** What the capacities of all its modules are multiples of, MiB. */
  #unitOf({ counts }: Load): number {
    let unit = this.#solderedUnit;
    for (let shape = 0; shape < counts.length; shape++) {
      if ((counts[shape] ?? 0) > 0) unit = commonDivisor(this.shapes[shape]?.capacityMiB ?? 0, unit);
    }
    return Math.max(1, unit);
  }

  #can({ counts }: Load, demand: Demand): boolean {
    return this.packing.can(barePlacement(this.board, this.solderedShapes, counts), demand, 0);
  }

  /** Channels count only where all that hold anything are equal. */
  #single(set: Load, load: LoadCap): Level['share'] | null {
    const { totalMiB } = set;
    for (let channels = this.board.channelCount; channels >= 2; channels--) {
      if (totalMiB % channels !== 0) continue;
      const mib = totalMiB / channels;
      const demand: Demand = { channel: { rule: 'each-filled', mib }, fullest: load, matched: false };
      if (this.#can(set, demand)) return { totalMiB, largestMiB: mib };
    }
    return this.#can(set, { ...ANYWHERE, fullest: load }) ? { totalMiB: 1, largestMiB: 1 } : null;
  }

  /** The smaller the largest channel, the more of them work at once. */
  #flex(set: Load, load: LoadCap): Level['share'] | null {
    const { totalMiB } = set;
    if (!this.#can(set, { ...ANYWHERE, fullest: load })) return null;
    if (this.board.channelCount === 1) return { totalMiB, largestMiB: totalMiB };
    const known = this.packing.leastLargest(barePlacement(this.board, this.solderedShapes, []), set.counts, load);
    if (known !== null) return { totalMiB, largestMiB: known };
    const sizes = set.counts.map((count, shape) => (count > 0 ? (this.shapes[shape]?.capacityMiB ?? 0) : 0));
    const least = Math.max(Math.ceil(totalMiB / this.board.channelCount), ...sizes);
    const sums = this.#sums(set.counts).filter((mib) => mib >= least);
    // What fits into less fits into more: the first that is enough is found by halves.
    let [low, high] = [0, sums.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      const mib = sums[middle] as number;
      if (this.#can(set, { channel: { rule: 'at-most', mib }, fullest: load, matched: false })) high = middle;
      else low = middle + 1;
    }
    return { totalMiB, largestMiB: sums[low] as number };
  }

  /** What a channel can come to hold, MiB, ascending; perhaps more than it can. */
  #sums(counts: readonly number[]): number[] {
    const sums = new Set<number>();
    const add = (shape: number, mib: number, room: number): void => {
      if (shape === counts.length) {
        sums.add(mib);
        return;
      }
      const size = this.shapes[shape]?.capacityMiB ?? 0;
      const most = Math.min(counts[shape] ?? 0, room);
      for (let count = 0; count <= most; count++) add(shape + 1, mib + count * size, room - count);
    };
    for (const base of this.#bases) add(0, base, this.#mostSlots);
    return [...sums].sort((a, b) => a - b);
  }
}
