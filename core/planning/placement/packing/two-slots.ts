import type { Board } from '../../model/board';
import type { Left } from './left';
import { CLOSED, type Demand, MUST, OPEN } from './partial-placement';
import type { Shape } from './shape';

/** Channels with room for one module that takes up to so much, MiB. */
interface Singles {
  mib: number;
  /** those that have to be filled */
  must: number;
  free: number;
  /** of the free ones, those that hold a module already */
  joining: number;
}

/**
 * Whether modules can be placed in channels of two slots each, all of which take anything, and none has to stay: no way has to
 * be tried. Channels that are empty take pairs, the others one module each. However many of these are filled, those that take
 * most come first, each with the largest that it takes: what is left is then as small as it can be, and pairs are best made of
 * the smallest with the largest.
 */
export class TwoSlots {
  /** the channels with room for one, the least room first; as many as were found last */
  readonly #singles: Singles[] = [];
  #kinds = 0;
  /** channels with room for two, and those of them that have to take one, or two */
  #open = 0;
  #openOne = 0;
  #openTwo = 0;
  /** some channel holds as many as the fullest has to */
  #reached = false;
  /** by place in {@link Left.coming}: modules that are not in a channel with room for one */
  readonly #rest: number[] = [];

  constructor(
    private readonly board: Board,
    private readonly shapes: readonly Shape[],
    private readonly left: Left,
  ) {}

  /** @param slots what stands where; what is left to be placed is in `left` */
  can(slots: readonly number[], demand: Demand): boolean {
    // Channels that may hold nothing hold just so much of nothing.
    if (demand.fullest.most === 0 && (demand.channel.rule === 'each' || this.left.count > 0)) return false;
    return demand.channel.rule === 'each' ? this.#exactly(slots, demand) : this.#atMost(slots, demand);
  }

  #atMost(slots: readonly number[], { channel: { mib }, fullest: { least, most } }: Demand): boolean {
    if (!this.#layOut(slots, mib, least, most)) return false;
    const { count } = this.left;
    if (least === 1 && count > 0) this.#reached = true;
    if (this.#reached) return this.#fits(mib, most, 0);
    if (least !== 2 || most < 2) return false;
    if (this.#fits(mib, most, 1)) return true;
    // No pair in an empty channel: one module joins another that stands.
    for (let nr = this.#kinds - 1; nr >= 0; nr--) {
      const singles = this.#singles[nr] as Singles;
      if (singles.joining === 0) continue;
      singles.free--;
      singles.must++;
      return this.#fits(mib, most, 0);
    }
    return false;
  }

  /** Counts the channels by the room that they have; false where one is fuller than is demanded. */
  #layOut(slots: readonly number[], mib: number, least: number, most: number): boolean {
    this.#kinds = 0;
    this.#open = 0;
    this.#openOne = 0;
    this.#openTwo = 0;
    this.#reached = least === 0;
    for (const [first = -1, second = -1] of this.board.slotsOf) {
      const [one, other] = [slots[first] ?? OPEN, slots[second] ?? OPEN];
      const held = (one >= 0 ? 1 : 0) + (other >= 0 ? 1 : 0);
      const must = (one === MUST ? 1 : 0) + (other === MUST ? 1 : 0);
      if (held + must > most) return false;
      if (held + must >= least) this.#reached = true;
      const sum = this.#sizeOf(one) + this.#sizeOf(other);
      if (sum > mib) return false;
      const closed = (one === CLOSED ? 1 : 0) + (other === CLOSED ? 1 : 0);
      const room = 2 - held - closed;
      if (room === 2) {
        this.#open++;
        if (must === 1) this.#openOne++;
        if (must === 2) this.#openTwo++;
      } else if (room === 1 && held < most) this.#addSingle(mib - sum, must > 0, held > 0);
    }
    return true;
  }

  #sizeOf(mark: number): number {
    return mark >= 0 ? (this.shapes[mark]?.capacityMiB ?? 0) : 0;
  }

  #addSingle(mib: number, must: boolean, joins: boolean): void {
    let at = 0;
    while (at < this.#kinds && (this.#singles[at] as Singles).mib < mib) at++;
    if (at === this.#kinds || (this.#singles[at] as Singles).mib !== mib) {
      // The one that is moved up from the end was used before, or is new.
      const next = this.#singles[this.#kinds] ?? { mib: 0, must: 0, free: 0, joining: 0 };
      for (let nr = this.#kinds; nr > at; nr--) this.#singles[nr] = this.#singles[nr - 1] as Singles;
      this.#singles[at] = next;
      next.mib = mib;
      next.must = 0;
      next.free = 0;
      next.joining = 0;
      this.#kinds++;
    }
    const own = this.#singles[at] as Singles;
    if (must) own.must++;
    else {
      own.free++;
      if (joins) own.joining++;
    }
  }

  /** @param pairs channels with room for two that have to take two, at least */
  #fits(mib: number, most: number, pairs: number): boolean {
    const { count } = this.left;
    let [must, all] = [0, 0];
    for (let nr = 0; nr < this.#kinds; nr++) {
      const singles = this.#singles[nr] as Singles;
      must += singles.must;
      all += singles.must + singles.free;
    }
    const widest = most < 2 ? this.#open : 2 * this.#open;
    for (let filled = Math.max(must, count - widest); filled <= Math.min(all, count); filled++) {
      // What fills no more channels fills no further one either.
      if (!this.#fillSingles(filled - must)) return false;
      if (this.#pairUp(count - filled, mib, most, pairs)) return true;
    }
    return false;
  }

  /** Fills those that have to be filled and so many of the others; false where some module is too large for each. */
  #fillSingles(free: number): boolean {
    const { left } = this;
    for (let nr = 0; nr < left.coming.length; nr++) this.#rest[nr] = left.of(left.coming[nr] as number);
    // Of the others those that take least stay empty.
    let empty = -free;
    for (let nr = 0; nr < this.#kinds; nr++) empty += (this.#singles[nr] as Singles).free;
    for (let nr = 0; nr < this.#kinds; nr++) {
      const singles = this.#singles[nr] as Singles;
      const stay = Math.min(empty, singles.free);
      empty -= stay;
      let wanted = singles.must + singles.free - stay;
      for (let at = 0; at < left.coming.length && wanted > 0; at++) {
        if (left.sizeOf(left.coming[at] as number) > singles.mib) continue;
        const taken = Math.min(wanted, this.#rest[at] as number);
        this.#rest[at] = (this.#rest[at] as number) - taken;
        wanted -= taken;
      }
      if (wanted > 0) return false;
    }
    return true;
  }

  /** Do the rest fit the channels with room for two? As few as can be hold two. */
  #pairUp(count: number, mib: number, most: number, pairs: number): boolean {
    const least = Math.max(this.#openTwo, count - this.#open, pairs);
    const filled = count - this.#openOne - this.#openTwo;
    const largest = most < 2 ? Math.min(0, filled) : Math.min(count >> 1, filled);
    return least <= largest && this.#largestPair(least) <= mib;
  }

  /** What the largest of so many pairs of the smallest of the rest comes to, MiB; 0: there are none. */
  #largestPair(pairs: number): number {
    const { left } = this;
    let largest = 0;
    let low = left.coming.length - 1;
    // Where the largest of the smallest are, and how many of them are among these.
    let high = low;
    let more = 2 * pairs;
    let ofHigh = 0;
    for (; high >= 0 && more > 0; high--) {
      ofHigh = Math.min(more, this.#rest[high] as number);
      more -= ofHigh;
    }
    high++;
    let ofLow = low === high ? ofHigh : (this.#rest[low] ?? 0);
    for (let paired = pairs; paired > 0; ) {
      if (ofLow === 0) ofLow = --low === high ? ofHigh : (this.#rest[low] ?? 0);
      else if (low === high) return Math.max(largest, 2 * left.sizeOf(left.coming[low] as number));
      else if (ofHigh === 0) ofHigh = ++high === low ? ofLow : (this.#rest[high] ?? 0);
      else {
        const both = left.sizeOf(left.coming[low] as number) + left.sizeOf(left.coming[high] as number);
        largest = Math.max(largest, both);
        const taken = Math.min(ofLow, ofHigh);
        ofLow -= taken;
        ofHigh -= taken;
        paired -= taken;
      }
    }
    return largest;
  }

  /**
   * What the largest channel holds at least where all that is left is placed on an empty board, MiB: as few as can be share a
   * channel, the smallest with the largest of them.
   *
   * @param least modules in the fullest channel
   */
  leastLargest(least: number): number {
    const { left } = this;
    for (let nr = 0; nr < left.coming.length; nr++) this.#rest[nr] = left.of(left.coming[nr] as number);
    const pairs = Math.max(0, left.count - this.board.channelCount, least === 2 ? 1 : 0);
    const [largest] = left.coming;
    const alone = largest === undefined ? 0 : left.sizeOf(largest);
    return Math.max(alone, this.#largestPair(pairs));
  }

  /** Each channel holds just so much: what joins a module is of one size, and the rest go alone or each with its other half. */
  #exactly(slots: readonly number[], { channel: { mib }, fullest: { least, most } }: Demand): boolean {
    const { left } = this;
    if (!this.#layOut(slots, mib, least, most)) return false;
    for (let nr = 0; nr < left.coming.length; nr++) this.#rest[nr] = left.of(left.coming[nr] as number);
    for (const [first = -1, second = -1] of this.board.slotsOf) {
      const [one, other] = [slots[first] ?? OPEN, slots[second] ?? OPEN];
      const held = (one >= 0 ? 1 : 0) + (other >= 0 ? 1 : 0);
      const closed = (one === CLOSED ? 1 : 0) + (other === CLOSED ? 1 : 0);
      if (held === 0 && closed === 0) continue;
      const lacking = mib - this.#sizeOf(one) - this.#sizeOf(other);
      const must = one === MUST || other === MUST;
      if (lacking === 0) {
        if (must) return false;
        continue;
      }
      if (held + closed === 2 || held + 1 > most || !this.#takeOne(lacking)) return false;
      if (held + 1 >= least) this.#reached = true;
    }
    return this.#restExactly(mib, least, most);
  }

  #takeOne(mib: number): boolean {
    const { left } = this;
    for (let at = 0; at < left.coming.length; at++) {
      if (left.sizeOf(left.coming[at] as number) !== mib || this.#rest[at] === 0) continue;
      this.#rest[at] = (this.#rest[at] as number) - 1;
      return true;
    }
    return false;
  }

  #restExactly(mib: number, least: number, most: number): boolean {
    const { left } = this;
    let [alone, paired] = [0, 0];
    for (let at = 0; at < left.coming.length; at++) {
      const size = left.sizeOf(left.coming[at] as number);
      const count = this.#rest[at] as number;
      if (size === mib) {
        alone = count;
        continue;
      }
      let halves = 0;
      for (let nr = 0; nr < left.coming.length; nr++) {
        if (left.sizeOf(left.coming[nr] as number) === mib - size) halves = this.#rest[nr] as number;
      }
      if (halves !== count || (2 * size === mib && count % 2 === 1)) return false;
      paired += count;
    }
    const pairs = paired / 2;
    if (alone + pairs !== this.#open || this.#openTwo > pairs || (pairs > 0 && most < 2)) return false;
    return this.#reached || least <= (pairs > 0 ? 2 : alone > 0 ? 1 : 0);
  }
}
