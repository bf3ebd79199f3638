import type { Board } from '../../model/board';
import { accepts, type Want } from './bank-wants';
import type { Left } from './left';
import { CLOSED, type Demand, MUST, OPEN, type PartialPlacement } from './partial-placement';
import type { Shape } from './shape';

/** What is fixed of a channel before anything more is placed in it. */
export interface Channel {
  mib: number;
  modules: number;
  ranks: number;
  /** places in {@link Channels.runs} */
  first: number;
  end: number;
}

/** Slots of one channel that nothing tells apart. */
export interface LikeSlots {
  size: number;
  must: boolean;
  limit: number;
  want: Want | null;
  /** the shape that would stay where it is, if it stood here; -1: none. Such runs have one slot. */
  home: number;
  /** one of its slots */
  sample: number;
  /** it is of one slot, which some shape may not leave */
  alone: boolean;
  /** shapes that may stand here, the largest first */
  fits: readonly number[];
}

/**
 * The channels that something may still be placed in, laid out for one question, and what those from each on can take. One
 * of these is used again and again.
 */
export class Channels {
  /** the first `count` of these */
  readonly list: readonly Channel[];
  readonly runs: readonly LikeSlots[];
  count = 0;
  /** a channel that is full holds as many modules as the fullest has to */
  reached = false;
  /** modules, and MiB, that the channels from here on can take at most */
  readonly openFrom: number[] = [];
  readonly roomFrom: number[] = [];
  /** modules that they have to take */
  readonly mustFrom: number[] = [];
  /** what the fullest of them holds at least */
  readonly fullestFrom: number[] = [];
  /** modules that can stay in the channels from here on */
  readonly homesFrom: number[] = [];
  /** the last run that takes a shape */
  readonly lastRun: number[] = [];
  /** by shape: so many of it the channels from here on can take on their own */
  readonly #takesFrom: number[][] = [];
  #runCount = 0;
  /** how much each slot takes, MiB */
  readonly #limits: readonly number[];
  /** what the modules of one channel may have together */
  readonly ranksLimit: number;

  constructor(
    private readonly board: Board,
    private readonly shapes: readonly Shape[],
    private readonly left: Left,
  ) {
    this.list = board.slotsOf.map(() => ({ mib: 0, modules: 0, ranks: 0, first: 0, end: 0 }));
    this.runs = board.channelOf.map(() => ({
      size: 0,
      must: false,
      limit: 0,
      want: null,
      home: -1,
      sample: 0,
      alone: false,
      fits: [],
    }));
    this.ranksLimit = board.machine.maxRanksPerChannel ?? Number.POSITIVE_INFINITY;
    this.#limits = board.machine.slots.map(({ maxMiB }) => maxMiB ?? Number.POSITIVE_INFINITY);
  }

  /** No slot takes less than another. */
  get isFree(): boolean {
    return this.#limits.every((limit) => limit === Number.POSITIVE_INFINITY);
  }

  /**
   * Lays out the channels that are not full; false where a full one is not as is demanded.
   *
   * @param wants what each slot takes; null: anything
   */
  layOut(stand: PartialPlacement, wants: readonly (Want | null)[] | null, demand: Demand): boolean {
    const anyExempt = this.left.coming.some((shape) => (this.shapes[shape]?.home ?? -1) >= 0);
    this.#runCount = 0;
    this.count = 0;
    this.reached = demand.fullest.least === 0;
    for (const slots of this.board.slotsOf) {
      const channel = this.list[this.count] as Channel;
      channel.first = this.#runCount;
      channel.mib = 0;
      channel.modules = 0;
      channel.ranks = 0;
      for (const slot of slots) {
        const mark = stand.slots[slot] ?? OPEN;
        if (mark >= 0) {
          channel.mib += this.left.sizeOf(mark);
          channel.modules++;
          channel.ranks += this.shapes[mark]?.ranks ?? 0;
        } else if (mark !== CLOSED) {
          const home = stand.homes[slot] ?? -1;
          const alone = home >= 0 || (anyExempt && this.left.coming.some((shape) => this.shapes[shape]?.home === slot));
          this.#addSlot(channel.first, slot, mark === MUST, wants === null ? null : (wants[slot] ?? null), home, alone);
        }
      }
      channel.end = this.#runCount;
      if (channel.end > channel.first) this.count++;
      else if (!this.isAllowed(demand, channel.mib, channel.modules, channel.ranks)) return false;
      else if (channel.modules >= demand.fullest.least) this.reached = true;
    }
    this.#fitAll(anyExempt);
    this.#sumUp(demand);
    return true;
  }

  /** May a channel hold just this? */
  isAllowed({ channel, fullest }: Demand, mib: number, modules: number, ranks: number): boolean {
    if (modules > fullest.most || ranks > this.ranksLimit || mib > channel.mib) return false;
    if (channel.rule === 'each') return mib === channel.mib;
    return channel.rule === 'at-most' || mib === 0 || mib === channel.mib;
  }

  #addSlot(first: number, slot: number, must: boolean, want: Want | null, home: number, alone: boolean): void {
    const limit = this.#limits[slot] ?? Number.POSITIVE_INFINITY;
    for (let nr = first; nr < this.#runCount && !alone; nr++) {
      const run = this.runs[nr] as LikeSlots;
      if (run.alone || run.must !== must || run.limit !== limit || run.want !== want) continue;
      run.size++;
      return;
    }
    const run = this.runs[this.#runCount++] as LikeSlots;
    run.size = 1;
    run.must = must;
    run.limit = limit;
    run.want = want;
    run.home = home;
    run.sample = slot;
    run.alone = alone;
  }

  #fitAll(anyExempt: boolean): void {
    this.lastRun.length = 0;
    for (let nr = 0; nr < this.#runCount; nr++) {
      const run = this.runs[nr] as LikeSlots;
      const takesAll = run.limit === Number.POSITIVE_INFINITY && run.want === null && !anyExempt;
      run.fits = takesAll ? this.left.coming : this.left.coming.filter((shape) => this.#fits(run, shape));
      for (const shape of run.fits) this.lastRun[shape] = nr;
    }
  }

  /** Does a slot's size allow a shape? A module that is too large for the slot it is in today may stay there. */
  isAllowedIn(nr: number, slot: number): boolean {
    const shape = this.shapes[nr];
    return shape !== undefined && (shape.capacityMiB <= (this.#limits[slot] ?? 0) || shape.home === slot);
  }

  #fits({ sample, want }: LikeSlots, nr: number): boolean {
    const shape = this.shapes[nr];
    return shape !== undefined && this.isAllowedIn(nr, sample) && (want === null || accepts(want, shape));
  }

  /** What the channels from each on can take, so that a way that cannot end well is left at once. */
  #sumUp({ channel: { mib }, fullest: { most } }: Demand): void {
    const end = this.count;
    this.openFrom[end] = 0;
    this.mustFrom[end] = 0;
    this.fullestFrom[end] = 0;
    this.roomFrom[end] = 0;
    this.homesFrom[end] = 0;
    for (const shape of this.left.coming) {
      this.#takesFrom[shape] ??= [];
      (this.#takesFrom[shape] as number[])[end] = 0;
    }
    for (let nr = end - 1; nr >= 0; nr--) {
      const channel = this.list[nr] as Channel;
      let [slots, must, homes] = [0, 0, 0];
      for (let at = channel.first; at < channel.end; at++) {
        const run = this.runs[at] as LikeSlots;
        slots += run.size;
        if (run.must) must += run.size;
        if (run.home >= 0) homes++;
      }
      const room = mib - channel.mib;
      this.openFrom[nr] = Math.min(slots, most - channel.modules) + (this.openFrom[nr + 1] ?? 0);
      this.mustFrom[nr] = must + (this.mustFrom[nr + 1] ?? 0);
      this.fullestFrom[nr] = Math.max(channel.modules + must, this.fullestFrom[nr + 1] ?? 0);
      this.roomFrom[nr] = room + (this.roomFrom[nr + 1] ?? 0);
      this.homesFrom[nr] = homes + (this.homesFrom[nr + 1] ?? 0);
      for (const shape of this.left.coming) {
        const takes = this.#takesFrom[shape] as number[];
        const own = Math.min(this.#slotsFor(channel, shape), Math.floor(room / this.left.sizeOf(shape)));
        takes[nr] = own + (takes[nr + 1] ?? 0);
      }
    }
  }

  #slotsFor({ first, end }: Channel, shape: number): number {
    let slots = 0;
    for (let at = first; at < end; at++) {
      const { size, fits } = this.runs[at] as LikeSlots;
      if (fits === this.left.coming || fits.includes(shape)) slots += size;
    }
    return slots;
  }

  /** Can the channels from here on take all that is left of each shape, each shape on its own? */
  takeAll(nr: number): boolean {
    for (const shape of this.left.coming) {
      if (this.left.of(shape) > (this.#takesFrom[shape]?.[nr] ?? 0)) return false;
    }
    return true;
  }
}
