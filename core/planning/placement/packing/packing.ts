import type { Board } from '../../model/board';
import { type BankChoice, forEachBankChoice, type Want } from './bank-wants';
import { type Channel, Channels, type LikeSlots } from './channels';
import { Left } from './left';
import { pairUp } from './pairs';
import { type Demand, OPEN, type PartialPlacement } from './partial-placement';
import { filledInOrder, isOneSize, standingIn } from './placement-rules';
import type { Shape } from './shape';
import { Staying } from './staying';
import { TwoSlots } from './two-slots';

/**
 * Answers whether modules can be placed as is demanded, so many of them staying where they are: tries channel by channel
 * how many of each shape it takes, remembering what was left where no way led on.
 */
export class Packing {
  readonly #left: Left;
  readonly #channels: Channels;
  readonly #staying: Staying;
  readonly #twoSlots: TwoSlots;
  /** by channel and what was left there: from how many modules staying there is no way */
  #impossible = new Map<number, number>();
  #demand: Demand;
  /** two slots in each channel, all of which take anything */
  readonly #twoEach: boolean;

  constructor(
    private readonly board: Board,
    private readonly shapes: readonly Shape[],
    shapesCountRanks: boolean,
  ) {
    this.#demand = { channel: { rule: 'at-most', mib: 0 }, fullest: { least: 0, most: 0 }, matched: false };
    this.#left = new Left(shapes);
    this.#channels = new Channels(board, shapes, this.#left);
    this.#staying = new Staying(board, this.#left);
    this.#twoSlots = new TwoSlots(board, shapes, this.#left);
    const isFree = this.#channels.isFree && !shapesCountRanks;
    this.#twoEach = isFree && board.slotsOf.every((slots) => slots.length === 2);
  }

  /**
   * Is there a placement that gives what is demanded, in which at least so many of the modules to be placed stay where
   * they are today?
   */
  can(stand: PartialPlacement, demand: Demand, stays: number): boolean {
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

  #inChannels(stand: PartialPlacement, wants: readonly (Want | null)[] | null, demand: Demand, stays: number): boolean {
    const [left, channels] = [this.#left, this.#channels];
    this.#demand = demand;
    left.take(stand.left);
    const [largest] = left.coming;
    if (largest !== undefined && left.sizeOf(largest) > demand.channel.mib) return false;
    if (demand.channel.rule === 'each' && left.count + standingIn(stand) < this.board.channelCount) return false;
    if (this.#twoEach && wants === null) {
      const can = this.#inTwoSlots(stand, demand, stays);
      if (can !== null) return can;
    }
    if (!channels.layOut(stand, wants, demand)) return false;
    for (const shape of left.coming) if (channels.lastRun[shape] === undefined) return false;
    if (stays === 0 && this.#fitsAsItComes()) return true;
    this.#impossible.clear();
    return this.#channel(0, channels.reached, stays);
  }

  /** The same where each channel has two slots; null: the ways have to be tried. */
  #inTwoSlots(stand: PartialPlacement, demand: Demand, stays: number): boolean | null {
    if (demand.channel.rule === 'each-filled') return stays === 0 && isBare(stand) ? this.#pairUp(demand) : null;
    if (stays === 0) return this.#twoSlots.can(stand.slots, demand);
    return this.#staying.can(stand, stays, (slots) => this.#twoSlots.can(slots, demand));
  }

  /**
   * What the fullest channel holds at least, where these modules are placed on a bare board and no more of them in one channel
   * than the load allows, MiB; null: only asking tells. Where there is no way at all, any answer will do.
   */
  leastLargest(stand: PartialPlacement, counts: readonly number[], { least }: Demand['fullest']): number | null {
    if (!this.#twoEach || this.board.machine.pairing === 'required' || this.board.machine.fillRule === 'required')
      return null;
    if (!isBare(stand)) return null;
    this.#left.take(counts);
    return this.#twoSlots.leastLargest(least);
  }

  /** Do the modules fill some channels with just so much, and leave the others empty? */
  #pairUp({ channel: { mib }, fullest }: Demand): boolean {
    const left = this.#left;
    if (left.count === 0) return fullest.least === 0;
    if (fullest.most < Math.max(1, fullest.least)) return false;
    const sizes = left.coming.map((shape) => ({ mib: left.sizeOf(shape), count: left.of(shape) }));
    const channels = left.mib / mib;
    if (channels > this.board.channelCount || !Number.isInteger(channels)) return false;
    // More modules than channels: some channel holds two.
    const fullestHolds = left.count > channels ? 2 : 1;
    if (fullestHolds < fullest.least || fullestHolds > fullest.most) return false;
    return pairUp(sizes, channels, mib);
  }

  /** What a slot takes depends on its size alone, not on what is in it today. */
  get goesBySize(): boolean {
    return this.shapes.every(({ home }) => home < 0);
  }

  /** Does a slot's size allow a shape? A module that is too large for the slot it is in today may stay there. */
  isAllowedIn(shape: number, slot: number): boolean {
    return this.#channels.isAllowedIn(shape, slot);
  }

  /** Is all placed, if every run takes as many of the largest as it can? Mostly so, and it is quickly seen. */
  #fitsAsItComes(): boolean {
    const { channel: wanted, fullest } = this.#demand;
    const left = this.#left.counts();
    let reached = this.#channels.reached;
    let count = this.#left.count;
    for (let nr = 0; nr < this.#channels.count; nr++) {
      const channel = this.#channels.list[nr] as Channel;
      let { mib, modules, ranks } = channel;
      for (let at = channel.first; at < channel.end; at++) {
        const run = this.#channels.runs[at] as LikeSlots;
        const before = modules;
        for (const shape of run.fits) {
          const placementClass = this.shapes[shape] as Shape;
          const own = placementClass.ranks ?? 0;
          const room = Math.min(run.size - (modules - before), fullest.most - modules);
          const byRanks = own === 0 ? room : Math.floor((this.#channels.ranksLimit - ranks) / own);
          const byRoom = Math.floor((wanted.mib - mib) / placementClass.capacityMiB);
          const taken = Math.max(0, Math.min(left[shape] ?? 0, room, byRoom, byRanks));
          left[shape] = (left[shape] ?? 0) - taken;
          mib += taken * placementClass.capacityMiB;
          ranks += taken * own;
          modules += taken;
          count -= taken;
        }
        if (run.must && modules - before < run.size) return false;
      }
      if (!this.#channels.isAllowed(this.#demand, mib, modules, ranks)) return false;
      if (modules >= fullest.least) reached = true;
    }
    return count === 0 && reached;
  }

  /** Can what is left be placed into this channel and those after it, so many modules staying? */
  #channel(nr: number, reached: boolean, stays: number): boolean {
    if (nr === this.#channels.count) return this.#left.count === 0 && reached && stays === 0;
    const channel = this.#channels.list[nr] as Channel;
    const spare = this.#left.count - (this.#channels.mustFrom[nr] ?? 0);
    if (this.#left.count > (this.#channels.openFrom[nr] ?? 0) || spare < 0) return false;
    if (!reached && (this.#channels.fullestFrom[nr] ?? 0) + spare < this.#demand.fullest.least) return false;
    if (stays > (this.#channels.homesFrom[nr] ?? 0) || !this.#channels.takeAll(nr)) return false;
    const room = this.#channels.roomFrom[nr] ?? 0;
    if (this.#left.mib > room || (this.#demand.channel.rule === 'each' && this.#left.mib < room)) return false;
    const key = (nr * 2 + (reached ? 1 : 0)) * this.#left.codes + this.#left.code;
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
    if (at >= (this.#channels.list[nr] as Channel).end) {
      if (!this.#channels.isAllowed(this.#demand, mib, modules, ranks)) return false;
      return this.#channel(nr + 1, reached || modules >= this.#demand.fullest.least, stays);
    }
    const run = this.#channels.runs[at] as LikeSlots;
    if (fit === run.fits.length) {
      if (run.must && used < run.size) return false;
      return this.#run(nr, at + 1, 0, mib, modules, ranks, 0, reached, stays);
    }
    const shape = run.fits[fit] as number;
    const placementClass = this.shapes[shape] as Shape;
    const left = this.#left.of(shape);
    const size = placementClass.capacityMiB;
    const most = Math.min(
      left,
      run.size - used,
      this.#demand.fullest.most - modules,
      Math.floor((this.#demand.channel.mib - mib) / size),
    );
    const least = this.#channels.lastRun[shape] === at ? left : 0;
    for (let count = most; count >= least; count--) {
      const more = count * (placementClass.ranks ?? 0);
      if (ranks + more > this.#channels.ranksLimit) continue;
      const rest = Math.max(0, stays - (run.home === shape ? count : 0));
      this.#left.remove(shape, count);
      const held = mib + count * size;
      const can = this.#run(nr, at, fit + 1, held, modules + count, ranks + more, used + count, reached, rest);
      this.#left.remove(shape, -count);
      if (can) return true;
    }
    return false;
  }
}

/** Nothing stands or is to stay anywhere, and every slot may be filled or not. */
function isBare({ slots, homes }: PartialPlacement): boolean {
  for (let slot = 0; slot < slots.length; slot++) {
    if (slots[slot] !== OPEN || (homes[slot] ?? -1) >= 0) return false;
  }
  return true;
}
