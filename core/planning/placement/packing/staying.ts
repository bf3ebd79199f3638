import type { Board } from '../../model/board';
import type { Left } from './left';
import { CLOSED, MUST, OPEN, type PartialPlacement } from './partial-placement';

/** Channels that nothing tells apart, with modules that could stay where they are. */
interface Alike {
  /** by channel: its slots in which a module could stay */
  channels: readonly (readonly number[])[];
  /** what may stay of each channel, as places in its list; the most first */
  choices: readonly (readonly number[])[];
  /** modules that can stay in these and all that come after */
  mostFrom: number;
}

/** Above any number of a shape; marks are below 0 and come on top. */
const MOST_SHAPES = 2_048;

/** More ways than this are too many to be tried one by one. */
const MOST_WAYS = 400;

/** Which modules stay where they are, tried by how many channels of each kind keep what. */
export class Staying {
  constructor(
    private readonly board: Board,
    private readonly left: Left,
  ) {}

  /**
   * Is there a choice of just so many modules that stay with which the rest can be placed?
   *
   * @param rest can what is left be placed beside what stands in these slots?
   * @returns null: there are too many ways to try
   */
  can(stand: PartialPlacement, stays: number, rest: (slots: readonly number[]) => boolean): boolean | null {
    const kinds = this.#alike(stand);
    if ((kinds[0]?.mostFrom ?? 0) < stays) return false;
    if (waysOf(kinds) > MOST_WAYS) return null;
    const slots = [...stand.slots];
    const choose = (kind: number, choice: number, done: number, wanted: number): boolean => {
      if (wanted === 0) return rest(slots);
      const alike = kinds[kind];
      if (alike === undefined || wanted > alike.mostFrom) return false;
      const places = alike.choices[choice] ?? [];
      const free = alike.channels.length - done;
      // The last choice is that nothing stays.
      if (places.length === 0) return choose(kind + 1, 0, 0, wanted);
      for (let many = Math.min(free, Math.floor(wanted / places.length)); many >= 0; many--) {
        this.#stay(stand, slots, alike, { places, from: done, to: done + many });
        const can = choose(kind, choice + 1, done + many, wanted - many * places.length);
        this.#leave(stand, slots, alike, { places, from: done, to: done + many });
        if (can) return true;
      }
      return false;
    };
    return choose(0, 0, 0, stays);
  }

  #stay(stand: PartialPlacement, slots: number[], { channels }: Alike, { places, from, to }: Span): void {
    for (let nr = from; nr < to; nr++) {
      for (const place of places) {
        const slot = channels[nr]?.[place] ?? -1;
        const shape = stand.homes[slot] ?? -1;
        slots[slot] = shape;
        this.left.remove(shape, 1);
      }
    }
  }

  #leave(stand: PartialPlacement, slots: number[], { channels }: Alike, { places, from, to }: Span): void {
    for (let nr = from; nr < to; nr++) {
      for (const place of places) {
        const slot = channels[nr]?.[place] ?? -1;
        slots[slot] = stand.slots[slot] ?? OPEN;
        this.left.remove(stand.homes[slot] ?? -1, -1);
      }
    }
  }

  /** The channels with modules that could stay, by what stands in their slots and is in them today. */
  #alike({ slots, homes }: PartialPlacement): Alike[] {
    const found = new Map<number, number[][]>();
    for (const own of this.board.slotsOf) {
      let key = 0;
      let some: number[] | null = null;
      for (const slot of own) {
        const mark = slots[slot] ?? OPEN;
        const home = mark === OPEN || mark === MUST ? (homes[slot] ?? -1) : -1;
        // What stands there, and what could stay: both as numbers from 0.
        key = (key * MOST_SHAPES + mark - CLOSED) * MOST_SHAPES + home + 1;
        if (home < 0) continue;
        if (some === null) some = [slot];
        else some.push(slot);
      }
      if (some === null) continue;
      const known = found.get(key);
      if (known === undefined) found.set(key, [some]);
      else known.push(some);
    }
    const kinds: Alike[] = [];
    for (const channels of [...found.values()].reverse()) {
      const most = channels[0]?.length ?? 0;
      const mostFrom = channels.length * most + (kinds[0]?.mostFrom ?? 0);
      kinds.unshift({ channels, choices: choicesOf(most), mostFrom });
    }
    return kinds;
  }
}

interface Span {
  places: readonly number[];
  from: number;
  to: number;
}

/** Every choice of some places, the largest first, nothing last. */
function choicesOf(places: number): number[][] {
  const all = Array.from({ length: 2 ** places }, (_, bits) =>
    Array.from({ length: places }, (__, place) => place).filter((place) => (bits >> place) & 1),
  );
  return all.sort((a, b) => b.length - a.length);
}

/** In how many ways so many channels of each kind choose, at most. */
function waysOf(kinds: readonly Alike[]): number {
  return kinds.reduce((ways, { channels, choices }) => ways * (channels.length + 1) ** (choices.length - 1), 1);
}
