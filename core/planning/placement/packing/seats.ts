import type { Board } from '../../model/board';
import type { Packing } from './packing';
import { CLOSED, type Demand, MUST, OPEN, type PartialPlacement } from './partial-placement';
import { twinsOf } from './twins';

/** A module to be placed. */
export interface ModuleToPlace {
  shape: number;
  /** the slot it is in today; -1: it is bought */
  home: number;
  /** modules of one number are alike; the lower comes first in the case's order of slots */
  token: number;
}

/**
 * Places modules as is demanded: fewest of those that are kept are moved, then the first sockets of the fill order are
 * filled, then lower tokens come first in the case's order of sockets. By slot the place in `modulesToPlace`, or -1; null where
 * there is no way.
 */
export function seats(
  board: Board,
  packing: Packing,
  bare: readonly number[],
  modulesToPlace: readonly ModuleToPlace[],
  demand: Demand,
): number[] | null {
  const seating = new Seating(board, packing, bare, modulesToPlace, demand);
  return seating.find();
}

/**
 * How long a row can be made, from its beginning: what is longer can be only if what is shorter can. Mostly all of it can be,
 * or nearly so.
 *
 * @param lay lays the row so long, in place of how long it was before; says whether that can be
 * @param isWholeKnown the whole row is known to be too long
 */
function longestRow(most: number, lay: (length: number) => boolean, isWholeKnown = false): number {
  if (most === 0) return 0;
  if (!isWholeKnown && lay(most)) return most;
  let [length, tooLong] = [0, most];
  let last = most;
  while (tooLong - length > 1) {
    last = (length + tooLong) >> 1;
    if (lay(last)) length = last;
    else tooLong = last;
  }
  if (last !== length) lay(length);
  return length;
}

class Seating {
  readonly #kept: number[];
  readonly #stand: PartialPlacement;
  /** by slot: place in `modulesToPlace` of who sits there */
  readonly #seated: number[];
  readonly #isSeated: boolean[];
  /** places in `modulesToPlace`, those of one token together, in the order of tokens */
  readonly #byToken: readonly (readonly number[])[];
  /** by token: sockets in which none of it can sit */
  readonly #refused = new Map<number, Set<number>>();
  /** what a socket takes depends on its size alone */
  readonly #hasTwins: boolean;
  /** modules that stay, of those that are seated already */
  #stayed = 0;

  constructor(
    private readonly board: Board,
    private readonly packing: Packing,
    bare: readonly number[],
    private readonly modulesToPlace: readonly ModuleToPlace[],
    private readonly demand: Demand,
  ) {
    this.#kept = [...modulesToPlace.keys()].filter((nr) => (modulesToPlace[nr]?.home ?? -1) >= 0);
    this.#seated = bare.map(() => -1);
    this.#isSeated = modulesToPlace.map(() => false);
    const byToken = new Map<number, number[]>();
    for (let nr = 0; nr < modulesToPlace.length; nr++) {
      const token = (modulesToPlace[nr] as ModuleToPlace).token;
      const own = byToken.get(token);
      if (own === undefined) byToken.set(token, [nr]);
      else own.push(nr);
    }
    this.#byToken = [...byToken].sort(([a], [b]) => a - b).map(([, own]) => own);
    const left: number[] = [];
    for (const { shape } of modulesToPlace) left[shape] = (left[shape] ?? 0) + 1;
    const homes = bare.map(() => -1);
    for (const { shape, home } of modulesToPlace) if (home >= 0) homes[home] = shape;
    this.#hasTwins = packing.goesBySize;
    this.#stand = { slots: [...bare], left: Array.from(left, (count) => count ?? 0), homes };
  }

  find(): number[] | null {
    this.#stay();
    if (this.#fillAtOnce()) return this.#seatAll(this.#stayed);
    const stayed = this.#stayed;
    const most = this.#can(stayed) ? stayed : this.#mostThatStay(stayed);
    if (most < 0) return null;
    this.#fillFirst(most, most === stayed);
    return this.#seatAll(most);
  }

  /** How many fewer can stay, and unseats all; -1: there is no way at all. Where so many can stay, fewer can. */
  #mostThatStay(tooMany: number): number {
    for (const nr of this.#kept) this.#unseat(nr, this.modulesToPlace[nr]?.home ?? -1, OPEN);
    let [most, above] = [-1, tooMany];
    while (above - most > 1) {
      const middle = (most + above) >> 1;
      if (this.#can(middle)) most = middle;
      else above = middle;
    }
    return most;
  }

  /** Can all be placed, so many modules staying where they are? */
  #can(stays: number): boolean {
    return this.packing.can(this.#stand, this.demand, Math.max(0, stays - this.#stayed));
  }

  /** Leaves every kept module where it is. */
  #stay(): void {
    for (const nr of this.#kept) this.#seat(nr, this.modulesToPlace[nr]?.home ?? -1);
  }

  #seat(nr: number, slot: number): void {
    const { shape, home } = this.modulesToPlace[nr] ?? { shape: -1, home: -1 };
    const { slots, left, homes } = this.#stand;
    slots[slot] = shape;
    left[shape] = (left[shape] ?? 0) - 1;
    if (home >= 0) homes[home] = -1;
    if (home === slot) this.#stayed++;
    this.#seated[slot] = nr;
    this.#isSeated[nr] = true;
  }

  #unseat(nr: number, slot: number, mark: number): void {
    const { shape, home } = this.modulesToPlace[nr] ?? { shape: -1, home: -1 };
    const { slots, left, homes } = this.#stand;
    slots[slot] = mark;
    left[shape] = (left[shape] ?? 0) + 1;
    if (home >= 0) homes[home] = shape;
    if (home === slot) this.#stayed--;
    this.#seated[slot] = -1;
    this.#isSeated[nr] = false;
  }

  #openInOrder(): number[] {
    const { sockets, fillPosition } = this.board;
    return sockets
      .filter((slot) => this.#stand.slots[slot] === OPEN)
      .sort((a, b) => (fillPosition[a] ?? 0) - (fillPosition[b] ?? 0));
  }

  #leftCount(): number {
    return this.#stand.left.reduce((sum, count) => sum + count, 0);
  }

  /** Marks the first open sockets to be filled and the others to stay empty, if that can be. */
  #fillAtOnce(): boolean {
    const open = this.#openInOrder();
    const count = this.#leftCount();
    for (const [at, slot] of open.entries()) this.#stand.slots[slot] = at < count ? MUST : CLOSED;
    if (this.#can(this.#stayed)) return true;
    for (const slot of open) this.#stand.slots[slot] = OPEN;
    return false;
  }

  /**
   * Fills the first sockets that can be filled while so many modules stay, in the fill order.
   *
   * @param isWholeKnown the very first cannot all be filled
   */
  #fillFirst(stays: number, isWholeKnown: boolean): void {
    const { slots } = this.#stand;
    const open = this.#openInOrder();
    let count = this.#leftCount();
    while (count > 0 && open.length > 0) {
      const most = Math.min(count, open.length);
      const filled = this.#firstFilled(open, most, stays, isWholeKnown);
      isWholeKnown = false;
      open.splice(0, filled);
      count -= filled;
      // The next cannot be filled beside those before it, nor can one like it.
      const [next] = open;
      if (next === undefined || count === 0) break;
      for (const slot of [next, ...this.#twinsOf(next)]) {
        slots[slot] = CLOSED;
        open.splice(open.indexOf(slot), 1);
      }
    }
    for (const slot of open) slots[slot] = CLOSED;
  }

  /** How many of the first open sockets can be filled at once. */
  #firstFilled(open: readonly number[], most: number, stays: number, isWholeKnown: boolean): number {
    const { slots } = this.#stand;
    let filled = 0;
    const lay = (length: number): boolean => {
      for (let nr = filled; nr < length; nr++) slots[open[nr] ?? -1] = MUST;
      for (let nr = length; nr < filled; nr++) slots[open[nr] ?? -1] = OPEN;
      filled = length;
      // None more can always be filled: there is a way.
      return length === 0 || this.#can(stays);
    };
    return longestRow(most, lay, isWholeKnown);
  }

  /** Seats the modules, socket by socket in the case's order, the lowest token that still leads to an end first. */
  #seatAll(stays: number): number[] {
    const open = this.board.sockets.filter((slot) => this.#stand.slots[slot] === MUST);
    let at = 0;
    while (at < open.length) {
      const slot = open[at] ?? -1;
      const candidates = this.#candidates(slot);
      const first = candidates[0] ?? -1;
      if (candidates.every((nr) => this.#isLike(nr, first))) {
        this.#seat(first, slot);
        at++;
        continue;
      }
      const many = this.#seatMany(first, open, at, stays);
      at += many;
      if (many > 0) continue;
      for (const [nr, candidate] of candidates.entries()) {
        if (nr === 0) continue;
        this.#seat(candidate, slot);
        // Somebody can sit here: if nobody else can, the last.
        if (nr === candidates.length - 1 || this.#can(stays)) break;
        this.#unseat(candidate, slot, MUST);
        this.#refuse(candidate, slot);
      }
      at++;
    }
    return this.#seated;
  }

  /** Seats those like the first in as many of the next sockets as can be; how many these are. */
  #seatMany(first: number, open: readonly number[], at: number, stays: number): number {
    const alike = this.#byToken.find((some) => some.includes(first)) ?? [];
    const waiting = alike.filter((nr) => !this.#isSeated[nr]);
    let most = 0;
    while (most < waiting.length && at + most < open.length && this.#maySit(first, open[at + most] ?? -1)) most++;
    let row = 0;
    const lay = (length: number): boolean => {
      for (let nr = row; nr < length; nr++) this.#seat(waiting[nr] ?? -1, open[at + nr] ?? -1);
      for (let nr = length; nr < row; nr++) this.#unseat(waiting[nr] ?? -1, open[at + nr] ?? -1, MUST);
      row = length;
      return length === 0 || this.#can(stays);
    };
    const many = longestRow(most, lay);
    if (many < most) this.#refuse(first, open[at + many] ?? -1);
    return many;
  }

  #twinsOf(slot: number): number[] {
    return this.#hasTwins ? twinsOf(this.board, this.#stand, slot) : [];
  }

  /** Notes that no module like this can sit in a socket or in one like it, beside those that are seated. */
  #refuse(nr: number, slot: number): void {
    const token = this.modulesToPlace[nr]?.token ?? -1;
    const refused = this.#refused.get(token) ?? new Set<number>();
    this.#refused.set(token, refused);
    for (const one of [slot, ...this.#twinsOf(slot)]) refused.add(one);
  }

  #maySit(nr: number, slot: number): boolean {
    const { shape, token } = this.modulesToPlace[nr] ?? { shape: -1, token: -1 };
    return this.packing.isAllowedIn(shape, slot) && this.#refused.get(token)?.has(slot) !== true;
  }

  /** Who is not seated yet and may sit here, one of each token, in their order. */
  #candidates(slot: number): number[] {
    const found: number[] = [];
    for (const alike of this.#byToken) {
      const next = alike.find((nr) => !this.#isSeated[nr]);
      if (next !== undefined && this.#maySit(next, slot)) found.push(next);
    }
    return found;
  }

  #isLike(a: number, b: number): boolean {
    const [one, other] = [this.modulesToPlace[a], this.modulesToPlace[b]];
    return one?.shape === other?.shape && (one?.home ?? -1) < 0 && (other?.home ?? -1) < 0;
  }
}
