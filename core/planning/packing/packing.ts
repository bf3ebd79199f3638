import type { Board } from '../board';
import { accepts, type BankChoice, forEachBankChoice, type Want } from './bank-wants';
import type { Shape } from './shape';
import { CLOSED, type Demand, MUST, OPEN, type Stand } from './stand';

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
  fits: number[];
}

const NOTHING = -1;

/**
 * Answers whether modules can be placed as is demanded, and how many of them can stay where they are: tries channel by
 * channel how many of each shape it takes, remembering what was left where no way led on.
 */
export class Packing {
  #channels: Channel[] = [];
  #runs: Run[] = [];
  /** modules, and MiB, that the channels from here on can take at most */
  #openFrom: number[] = [];
  #mustFrom: number[] = [];
  #roomFrom: number[] = [];
  /** the last run that takes a shape */
  #lastRun: number[] = [];
  #left: number[] = [];
  #leftCount = 0;
  #leftMiB = 0;
  /** the modules left, as one number */
  #code = 0;
  #weights: number[] = [];
  #codes = 1;
  #known = new Map<number, number>();
  #demand: Demand;
  #ranksLimit: number;

  constructor(
    private readonly board: Board,
    private readonly shapes: readonly Shape[],
  ) {
    this.#demand = { channel: { rule: 'at-most', mib: 0 }, fullest: { least: 0, most: 0 }, matched: false };
    this.#ranksLimit = board.machine.maxRanksPerChannel ?? Number.POSITIVE_INFINITY;
  }

  /**
   * How many of the modules to be placed can stay where they are today, in a placement that gives what is demanded; -1
   * where there is none. Stops looking for more than `enough`.
   */
  mostStaying(stand: Stand, demand: Demand, enough: number): number {
    const filled = this.#filledInOrder(stand);
    if (filled === null) return NOTHING;
    const coupled = this.board.machine.pairing === 'required' || demand.matched;
    if (!coupled) return this.#inChannels(filled, null, demand, enough);
    let best = NOTHING;
    forEachBankChoice(this.board, filled, this.shapes, ({ slots, wants }: BankChoice) => {
      best = Math.max(best, this.#inChannels({ ...filled, slots }, wants, demand, enough));
      return best >= enough;
    });
    return best;
  }

  /** Where the fill order is required, it tells which sockets are filled. */
  #filledInOrder(stand: Stand): Stand | null {
    const { board } = this;
    if (board.machine.fillRule !== 'required') return stand;
    const slots = [...stand.slots];
    const standing = board.sockets.filter((slot) => (slots[slot] ?? OPEN) >= 0).length;
    const modules = stand.left.reduce((sum, count) => sum + count, standing);
    for (const slot of board.sockets) {
      const isFilled = (board.fillPosition[slot] ?? 0) < modules;
      const mark = slots[slot] ?? OPEN;
      if (isFilled ? mark === CLOSED : mark >= 0 || mark === MUST) return null;
      if (mark < 0) slots[slot] = isFilled ? MUST : CLOSED;
    }
    return { ...stand, slots };
  }

  #inChannels(stand: Stand, wants: readonly (Want | null)[] | null, demand: Demand, enough: number): number {
    this.#demand = demand;
    this.#takeLeft(stand.left);
    this.#layOut(stand, wants);
    if (this.#left.some((count, shape) => count > 0 && this.#lastRun[shape] === undefined)) return NOTHING;
    this.#known.clear();
    return this.#channel(0, demand.fullest.least === 0, enough);
  }

  #takeLeft(left: readonly number[]): void {
    this.#left = [...left];
    this.#leftCount = 0;
    this.#leftMiB = 0;
    this.#code = 0;
    this.#weights = [];
    let weight = 1;
    for (const [shape, count] of left.entries()) {
      this.#weights.push(weight);
      this.#code += weight * count;
      weight *= count + 1;
      this.#leftCount += count;
      this.#leftMiB += count * (this.shapes[shape]?.capacityMiB ?? 0);
    }
    this.#codes = weight;
  }

  #layOut(stand: Stand, wants: readonly (Want | null)[] | null): void {
    const { board, shapes } = this;
    const coming = [...this.#left.keys()]
      .filter((shape) => (this.#left[shape] ?? 0) > 0)
      .sort((a, b) => (shapes[b]?.capacityMiB ?? 0) - (shapes[a]?.capacityMiB ?? 0));
    const exempt = new Set(coming.map((shape) => shapes[shape]?.home ?? -1));
    this.#runs = [];
    this.#channels = board.slotsOf.map((slots) => {
      const first = this.#runs.length;
      const channel = { mib: 0, modules: 0, ranks: 0, first, end: first };
      for (const slot of slots) {
        const mark = stand.slots[slot] ?? OPEN;
        const shape = shapes[mark];
        if (shape !== undefined) {
          channel.mib += shape.capacityMiB;
          channel.modules++;
          channel.ranks += shape.ranks ?? 0;
        } else if (mark !== CLOSED) {
          const limit = board.machine.slots[slot]?.maxMiB ?? Number.POSITIVE_INFINITY;
          const home = stand.homes[slot] ?? -1;
          const alone = home >= 0 || exempt.has(slot);
          this.#addSlot(first, { must: mark === MUST, limit, want: wants?.[slot] ?? null, home, sample: slot, alone });
        }
      }
      channel.end = this.#runs.length;
      return channel;
    });
    for (const run of this.#runs) run.fits = coming.filter((shape) => this.#fits(run, shape));
    this.#lastRun = [];
    for (const [nr, run] of this.#runs.entries()) for (const shape of run.fits) this.#lastRun[shape] = nr;
    this.#sumUp();
  }

  #addSlot(first: number, slot: Omit<Run, 'size' | 'fits'>): void {
    for (let nr = first; nr < this.#runs.length && !slot.alone; nr++) {
      const run = this.#runs[nr];
      if (run === undefined || run.alone) continue;
      if (run.must === slot.must && run.limit === slot.limit && run.want === slot.want) {
        run.size++;
        return;
      }
    }
    this.#runs.push({ ...slot, size: 1, fits: [] });
  }

  /** Does a slot's size allow a shape? A module that is too large for the slot it is in today may stay there. */
  isAllowedIn(nr: number, slot: number): boolean {
    const shape = this.shapes[nr];
    const limit = this.board.machine.slots[slot]?.maxMiB ?? Number.POSITIVE_INFINITY;
    return shape !== undefined && (shape.capacityMiB <= limit || shape.home === slot);
  }

  #fits({ sample, want }: Run, nr: number): boolean {
    const shape = this.shapes[nr];
    return shape !== undefined && this.isAllowedIn(nr, sample) && (want === null || accepts(want, shape));
  }

  /** What the channels from each on can take, so that a way that cannot end well is left at once. */
  #sumUp(): void {
    const { rule, mib } = this.#demand.channel;
    let [open, must, room] = [0, 0, 0];
    this.#openFrom = [];
    this.#mustFrom = [];
    this.#roomFrom = [];
    for (let nr = this.#channels.length; nr >= 0; nr--) {
      const channel = this.#channels[nr];
      if (channel !== undefined) {
        let own = 0;
        for (let run = channel.first; run < channel.end; run++) {
          const { size = 0, must: filled = false } = this.#runs[run] ?? {};
          own += size;
          if (filled) must += size;
        }
        open += Math.min(own, this.#demand.fullest.most - channel.modules);
        room += own === 0 && rule !== 'each' ? 0 : mib - channel.mib;
      }
      this.#openFrom[nr] = open;
      this.#mustFrom[nr] = must;
      this.#roomFrom[nr] = room;
    }
  }

  /** Places what is left into this channel and those after it. */
  #channel(nr: number, reached: boolean, enough: number): number {
    const channel = this.#channels[nr];
    if (channel === undefined) return this.#leftCount === 0 && reached ? 0 : NOTHING;
    if (this.#leftCount > (this.#openFrom[nr] ?? 0) || this.#leftCount < (this.#mustFrom[nr] ?? 0)) return NOTHING;
    const room = this.#roomFrom[nr] ?? 0;
    if (this.#leftMiB > room || (this.#demand.channel.rule === 'each' && this.#leftMiB < room)) return NOTHING;
    const key = (nr * 2 + (reached ? 1 : 0)) * this.#codes + this.#code;
    const known = this.#known.get(key);
    if (known !== undefined) return known;
    const best = this.#run(nr, channel.first, 0, channel.mib, channel.modules, channel.ranks, 0, reached, enough);
    // What was enough may not have been the most.
    if (best < enough) this.#known.set(key, best);
    return best;
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
    enough: number,
  ): number {
    const channel = this.#channels[nr];
    if (channel === undefined) return NOTHING;
    if (at >= channel.end) {
      if (!this.#isAllowed(mib, modules, ranks)) return NOTHING;
      return this.#channel(nr + 1, reached || modules >= this.#demand.fullest.least, enough);
    }
    const run = this.#runs[at];
    if (run === undefined) return NOTHING;
    const shape = run.fits[fit];
    const body = shape === undefined ? undefined : this.shapes[shape];
    if (shape === undefined || body === undefined) {
      if (run.must && used < run.size) return NOTHING;
      return this.#run(nr, at + 1, 0, mib, modules, ranks, 0, reached, enough);
    }
    const left = this.#left[shape] ?? 0;
    const size = body.capacityMiB;
    const most = Math.min(
      left,
      run.size - used,
      this.#demand.fullest.most - modules,
      Math.floor((this.#demand.channel.mib - mib) / size),
    );
    const least = this.#lastRun[shape] === at ? left : 0;
    let best = NOTHING;
    for (let count = most; count >= least; count--) {
      const more = count * (body.ranks ?? 0);
      if (ranks + more > this.#ranksLimit) continue;
      const stays = run.home === shape ? count : 0;
      this.#move(shape, size, count);
      const rest = this.#run(
        nr,
        at,
        fit + 1,
        mib + count * size,
        modules + count,
        ranks + more,
        used + count,
        reached,
        Math.max(0, enough - stays),
      );
      this.#move(shape, size, -count);
      if (rest >= 0 && rest + stays > best) best = rest + stays;
      if (best >= enough) return best;
    }
    return best;
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
