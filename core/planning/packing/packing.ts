import type { Board } from '../board';
import { accepts, type BankChoice, forEachBankChoice, type Want } from './bank-wants';
import { pairUp } from './pairs';
import type { Shape } from './shape';
import { CLOSED, type Demand, MUST, OPEN, type Stand } from './stand';
import { filledInOrder, isOneSize, standingIn } from './stand-rules';

/** What is fixed of a channel before anything more is placed in it. */
interface Channel {
  mib: number;
  modules: number;
  ranks: number;
  /** places in `runs` */
  first: number;
  end: number;
}

/** Slots of one channel that nothing tells apart. */
interface Run {
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
 * Answers whether modules can be placed as is demanded, so many of them staying where they are: tries channel by channel
 * how many of each shape it takes, remembering what was left where no way led on.
 */
export class Packing {
  /** channels and runs of the question at hand: the first so many of these, which are used again and again */
  readonly #channels: Channel[];
  readonly #runs: Run[];
  #channelCount = 0;
  #runCount = 0;
  /** a channel that is full holds as many modules as the fullest has to */
  #reached = false;
  /** modules, and MiB, that the channels from here on can take at most */
  readonly #openFrom: number[] = [];
  readonly #mustFrom: number[] = [];
  /** what the fullest of them holds at least */
  readonly #fullestFrom: number[] = [];
  readonly #roomFrom: number[] = [];
  /** by shape: so many of it */
  readonly #takesFrom: number[][] = [];
  /** modules that can stay in the channels from here on */
  readonly #homesFrom: number[] = [];
  /** the last run that takes a shape */
  readonly #lastRun: number[] = [];
  #left: number[] = [];
  /** shapes that are left, the largest first */
  #coming: number[] = [];
  #leftCount = 0;
  #leftMiB = 0;
  /** the modules left, as one number */
  #code = 0;
  #weights: number[] = [];
  #codes = 1;
  /** by channel and what was left there: from how many modules staying there is no way */
  #impossible = new Map<number, number>();
  #demand: Demand;
  readonly #ranksLimit: number;
  /** two slots in each channel, all of which take anything */
  readonly #twoEach: boolean;
  /** how much each slot takes, MiB */
  readonly #limits: readonly number[];

  constructor(
    private readonly board: Board,
    private readonly shapes: readonly Shape[],
    shapesCountRanks: boolean,
  ) {
    this.#demand = { channel: { rule: 'at-most', mib: 0 }, fullest: { least: 0, most: 0 }, matched: false };
    this.#channels = board.slotsOf.map(() => ({ mib: 0, modules: 0, ranks: 0, first: 0, end: 0 }));
    this.#runs = board.channelOf.map(() => ({
      size: 0,
      must: false,
      limit: 0,
      want: null,
      home: -1,
      sample: 0,
      alone: false,
      fits: [],
    }));
    this.#limits = board.machine.slots.map(({ maxMiB }) => maxMiB ?? Number.POSITIVE_INFINITY);
    const isFree = this.#limits.every((limit) => limit === Number.POSITIVE_INFINITY);
    this.#twoEach = isFree && !shapesCountRanks && board.slotsOf.every((slots) => slots.length === 2);
    this.#ranksLimit = board.machine.maxRanksPerChannel ?? Number.POSITIVE_INFINITY;
  }

  /**
   * Is there a placement that gives what is demanded, in which at least so many of the modules to be placed stay where
   * they are today?
   */
  can(stand: Stand, demand: Demand, stays: number): boolean {
    const filled = filledInOrder(this.board, stand);
    if (filled === null) return false;
    const coupled = this.board.machine.pairing === 'required' || (demand.matched && !isOneSize(this.shapes, filled));
    if (!coupled) return this.#inChannels(filled, null, demand, stays);
    // Banks are many ways: if the channels allow none at all, there is none.
    if (this.board.machine.pairing !== 'required' && !this.#inChannels(filled, null, demand, stays)) return false;
    let found = false;
    forEachBankChoice(this.board, filled, this.shapes, ({ slots, wants }: BankChoice) => {
      found = this.#inChannels({ slots, left: filled.left, homes: filled.homes }, wants, demand, stays);
      return found;
    });
    return found;
  }

  #inChannels(stand: Stand, wants: readonly (Want | null)[] | null, demand: Demand, stays: number): boolean {
    this.#demand = demand;
    this.#takeLeft(stand.left);
    const [largest] = this.#coming;
    if (largest !== undefined && this.#size(largest) > demand.channel.mib) return false;
    if (demand.channel.rule === 'each' && this.#leftCount + standingIn(stand) < this.board.channelCount) return false;
    if (this.#arePlain(stand, wants)) return this.#pairUp(demand);
    if (!this.#layOut(stand, wants)) return false;
    for (const shape of this.#coming) if (this.#lastRun[shape] === undefined) return false;
    if (stays === 0 && this.#fitsAsItComes()) return true;
    this.#impossible.clear();
    return this.#channel(0, this.#reached, stays);
  }

  #takeLeft(left: readonly number[]): void {
    this.#left = [...left];
    this.#leftCount = 0;
    this.#leftMiB = 0;
    this.#code = 0;
    this.#weights = [];
    this.#coming = [];
    this.#codes = 1;
    for (let shape = 0; shape < left.length; shape++) {
      const count = left[shape] ?? 0;
      this.#weights.push(this.#codes);
      if (count === 0) continue;
      this.#code += this.#codes * count;
      this.#codes *= count + 1;
      this.#leftCount += count;
      this.#leftMiB += count * this.#size(shape);
      this.#coming.push(shape);
    }
    this.#coming.sort((a, b) => this.#size(b) - this.#size(a));
  }

  /** Nothing tells channels apart that have at most two slots each, and nothing is to stay. */
  #arePlain({ slots, homes }: Stand, wants: readonly (Want | null)[] | null): boolean {
    if (!this.#twoEach || wants !== null || this.#leftCount <= this.board.channelCount) return false;
    for (let slot = 0; slot < slots.length; slot++) {
      if (slots[slot] !== OPEN || (homes[slot] ?? -1) >= 0) return false;
    }
    return true;
  }

  /** More modules than channels: some channel holds two. */
  #pairUp({ channel, fullest }: Demand): boolean {
    const { rule, mib } = channel;
    if (fullest.least > 2 || fullest.most < 2) return false;
    const sizes = this.#coming.map((shape) => ({ mib: this.#size(shape), count: this.#left[shape] ?? 0 }));
    if (rule === 'at-most') return pairUp(sizes, this.board.channelCount, (held) => held <= mib);
    const channels = this.#leftMiB / mib;
    if (rule === 'each' && channels !== this.board.channelCount) return false;
    return channels <= this.board.channelCount && pairUp(sizes, channels, (held) => held === mib);
  }

  #size(shape: number): number {
    return this.shapes[shape]?.capacityMiB ?? 0;
  }

  /** Lays out the channels that are not full; false where one of the others is not as is demanded. */
  #layOut(stand: Stand, wants: readonly (Want | null)[] | null): boolean {
    const anyExempt = this.#coming.some((shape) => (this.shapes[shape]?.home ?? -1) >= 0);
    this.#runCount = 0;
    this.#channelCount = 0;
    this.#reached = this.#demand.fullest.least === 0;
    for (const slots of this.board.slotsOf) {
      const channel = this.#channels[this.#channelCount] as Channel;
      channel.first = this.#runCount;
      channel.mib = 0;
      channel.modules = 0;
      channel.ranks = 0;
      for (const slot of slots) {
        const mark = stand.slots[slot] ?? OPEN;
        if (mark >= 0) {
          channel.mib += this.#size(mark);
          channel.modules++;
          channel.ranks += this.shapes[mark]?.ranks ?? 0;
        } else if (mark !== CLOSED) {
          const home = stand.homes[slot] ?? -1;
          const alone = home >= 0 || (anyExempt && this.#coming.some((shape) => this.shapes[shape]?.home === slot));
          this.#addSlot(channel.first, slot, mark === MUST, wants === null ? null : (wants[slot] ?? null), home, alone);
        }
      }
      channel.end = this.#runCount;
      if (channel.end > channel.first) this.#channelCount++;
      else if (!this.#isAllowed(channel.mib, channel.modules, channel.ranks)) return false;
      else if (channel.modules >= this.#demand.fullest.least) this.#reached = true;
    }
    this.#fitAll(anyExempt);
    this.#sumUp();
    this.#sumUpShapes();
    return true;
  }

  #addSlot(first: number, slot: number, must: boolean, want: Want | null, home: number, alone: boolean): void {
    const limit = this.#limits[slot] ?? Number.POSITIVE_INFINITY;
    for (let nr = first; nr < this.#runCount && !alone; nr++) {
      const run = this.#runs[nr] as Run;
      if (run.alone || run.must !== must || run.limit !== limit || run.want !== want) continue;
      run.size++;
      return;
    }
    const run = this.#runs[this.#runCount++] as Run;
    run.size = 1;
    run.must = must;
    run.limit = limit;
    run.want = want;
    run.home = home;
    run.sample = slot;
    run.alone = alone;
  }

  #fitAll(anyExempt: boolean): void {
    this.#lastRun.length = 0;
    for (let nr = 0; nr < this.#runCount; nr++) {
      const run = this.#runs[nr] as Run;
      const takesAll = run.limit === Number.POSITIVE_INFINITY && run.want === null && !anyExempt;
      run.fits = takesAll ? this.#coming : this.#coming.filter((shape) => this.#fits(run, shape));
      for (const shape of run.fits) this.#lastRun[shape] = nr;
    }
  }

  /** What a slot takes depends on its size alone, not on what is in it today. */
  get goesBySize(): boolean {
    return this.shapes.every(({ home }) => home < 0);
  }

  /** Does a slot's size allow a shape? A module that is too large for the slot it is in today may stay there. */
  isAllowedIn(nr: number, slot: number): boolean {
    const shape = this.shapes[nr];
    return shape !== undefined && (shape.capacityMiB <= (this.#limits[slot] ?? 0) || shape.home === slot);
  }

  #fits({ sample, want }: Run, nr: number): boolean {
    const shape = this.shapes[nr];
    return shape !== undefined && this.isAllowedIn(nr, sample) && (want === null || accepts(want, shape));
  }

  /** What the channels from each on can take, so that a way that cannot end well is left at once. */
  #sumUp(): void {
    const { mib } = this.#demand.channel;
    let [open, must, room, homes, fullest] = [0, 0, 0, 0, 0];
    for (let nr = this.#channelCount; nr >= 0; nr--) {
      if (nr < this.#channelCount) {
        const channel = this.#channels[nr] as Channel;
        let own = 0;
        let fixed = channel.modules;
        for (let at = channel.first; at < channel.end; at++) {
          const run = this.#runs[at] as Run;
          own += run.size;
          if (run.must) {
            must += run.size;
            fixed += run.size;
          }
          if (run.home >= 0) homes++;
        }
        fullest = Math.max(fullest, fixed);
        open += Math.min(own, this.#demand.fullest.most - channel.modules);
        room += mib - channel.mib;
      }
      this.#openFrom[nr] = open;
      this.#mustFrom[nr] = must;
      this.#fullestFrom[nr] = fullest;
      this.#roomFrom[nr] = room;
      this.#homesFrom[nr] = homes;
    }
  }

  /** How many of each shape the channels from each on can take by themselves. */
  #sumUpShapes(): void {
    const { mib } = this.#demand.channel;
    for (const shape of this.#coming) {
      const size = this.#size(shape);
      const takes = this.#takesFrom[shape] ?? [];
      this.#takesFrom[shape] = takes;
      let sum = 0;
      for (let nr = this.#channelCount; nr >= 0; nr--) {
        if (nr < this.#channelCount) {
          const channel = this.#channels[nr] as Channel;
          let own = 0;
          for (let at = channel.first; at < channel.end; at++) {
            const run = this.#runs[at] as Run;
            if (run.fits === this.#coming || run.fits.includes(shape)) own += run.size;
          }
          sum += Math.min(own, Math.floor((mib - channel.mib) / size));
        }
        takes[nr] = sum;
      }
    }
  }

  #isTooMany(nr: number): boolean {
    for (const shape of this.#coming) {
      if ((this.#left[shape] ?? 0) > (this.#takesFrom[shape]?.[nr] ?? 0)) return true;
    }
    return false;
  }

  /** Is all placed, if every run takes as many of the largest as it can? Mostly so, and it is quickly seen. */
  #fitsAsItComes(): boolean {
    const { channel: wanted, fullest } = this.#demand;
    const left = [...this.#left];
    let reached = this.#reached;
    let count = this.#leftCount;
    for (let nr = 0; nr < this.#channelCount; nr++) {
      const channel = this.#channels[nr] as Channel;
      let { mib, modules, ranks } = channel;
      for (let at = channel.first; at < channel.end; at++) {
        const run = this.#runs[at] as Run;
        const before = modules;
        for (const shape of run.fits) {
          const body = this.shapes[shape] as Shape;
          const own = body.ranks ?? 0;
          const room = Math.min(run.size - (modules - before), fullest.most - modules);
          const byRanks = own === 0 ? room : Math.floor((this.#ranksLimit - ranks) / own);
          const byRoom = Math.floor((wanted.mib - mib) / body.capacityMiB);
          const taken = Math.max(0, Math.min(left[shape] ?? 0, room, byRoom, byRanks));
          left[shape] = (left[shape] ?? 0) - taken;
          mib += taken * body.capacityMiB;
          ranks += taken * own;
          modules += taken;
          count -= taken;
        }
        if (run.must && modules - before < run.size) return false;
      }
      if (!this.#isAllowed(mib, modules, ranks)) return false;
      if (modules >= fullest.least) reached = true;
    }
    return count === 0 && reached;
  }

  /** Can what is left be placed into this channel and those after it, so many modules staying? */
  #channel(nr: number, reached: boolean, stays: number): boolean {
    if (nr === this.#channelCount) return this.#leftCount === 0 && reached && stays === 0;
    const channel = this.#channels[nr] as Channel;
    const spare = this.#leftCount - (this.#mustFrom[nr] ?? 0);
    if (this.#leftCount > (this.#openFrom[nr] ?? 0) || spare < 0) return false;
    if (!reached && (this.#fullestFrom[nr] ?? 0) + spare < this.#demand.fullest.least) return false;
    if (stays > (this.#homesFrom[nr] ?? 0) || this.#isTooMany(nr)) return false;
    const room = this.#roomFrom[nr] ?? 0;
    if (this.#leftMiB > room || (this.#demand.channel.rule === 'each' && this.#leftMiB < room)) return false;
    const key = (nr * 2 + (reached ? 1 : 0)) * this.#codes + this.#code;
    if (stays >= (this.#impossible.get(key) ?? Number.POSITIVE_INFINITY)) return false;
    const can = this.#run(nr, channel.first, 0, channel.mib, channel.modules, channel.ranks, 0, reached, stays);
    if (!can) this.#impossible.set(key, stays);
    return can;
  }

  /** How many of a shape this run takes, then the next shape, the next run, the next channel. */
  #run(
    nr: number,
    at: number,
    fit: number,
    mib: number,
    modules: number,
    ranks: number,
    used: number,
    reached: boolean,
    stays: number,
  ): boolean {
    if (at >= (this.#channels[nr] as Channel).end) {
      if (!this.#isAllowed(mib, modules, ranks)) return false;
      return this.#channel(nr + 1, reached || modules >= this.#demand.fullest.least, stays);
    }
    const run = this.#runs[at] as Run;
    if (fit === run.fits.length) {
      if (run.must && used < run.size) return false;
      return this.#run(nr, at + 1, 0, mib, modules, ranks, 0, reached, stays);
    }
    const shape = run.fits[fit] as number;
    const body = this.shapes[shape] as Shape;
    const left = this.#left[shape] ?? 0;
    const size = body.capacityMiB;
    const most = Math.min(
      left,
      run.size - used,
      this.#demand.fullest.most - modules,
      Math.floor((this.#demand.channel.mib - mib) / size),
    );
    const least = this.#lastRun[shape] === at ? left : 0;
    for (let count = most; count >= least; count--) {
      const more = count * (body.ranks ?? 0);
      if (ranks + more > this.#ranksLimit) continue;
      const rest = Math.max(0, stays - (run.home === shape ? count : 0));
      this.#move(shape, size, count);
      const held = mib + count * size;
      const can = this.#run(nr, at, fit + 1, held, modules + count, ranks + more, used + count, reached, rest);
      this.#move(shape, size, -count);
      if (can) return true;
    }
    return false;
  }

  #move(shape: number, size: number, count: number): void {
    this.#left[shape] = (this.#left[shape] ?? 0) - count;
    this.#leftCount -= count;
    this.#leftMiB -= count * size;
    this.#code -= count * (this.#weights[shape] ?? 0);
  }

  #isAllowed(mib: number, modules: number, ranks: number): boolean {
    const { channel, fullest } = this.#demand;
    if (modules > fullest.most || ranks > this.#ranksLimit || mib > channel.mib) return false;
    if (channel.rule === 'each') return mib === channel.mib;
    return channel.rule === 'at-most' || mib === 0 || mib === channel.mib;
  }
}
