import fc from 'fast-check';
import type { Machine } from '../../model/case';
import { compareLists } from '../../model/compare-lists';
import { capUnderLoad, loadCaps } from '../../rules/load-caps';
import { boardOf } from '../../testing/board-of';
import { Packing } from './packing';
import { pairUp } from './pairs';
import { ANYWHERE, CLOSED, type Demand, MUST, OPEN } from './partial-placement';
import { type ModuleToPlace, seats } from './seats';
import type { Shape } from './shape';

const GB = 1024;

const shape = (capacityMiB: number): Shape => ({ capacityMiB, ranks: null, rateMTs: 0, home: -1 });

const atMost = (mib: number): Demand => ({ ...ANYWHERE, channel: { rule: 'at-most', mib } });
const each = (mib: number): Demand => ({ ...ANYWHERE, channel: { rule: 'each', mib } });
const bare = (slots: number) => new Array<number>(slots).fill(OPEN);
const none = (slots: number) => new Array<number>(slots).fill(-1);

describe('packing', () => {
  const shapes = [shape(4 * GB), shape(8 * GB), shape(16 * GB)];
  const can = (board: ReturnType<typeof boardOf>, left: number[], demand: Demand, stays = 0) => {
    const size = board.machine.slots.length;
    return new Packing(board, shapes, false).can({ slots: bare(size), left, homes: none(size) }, demand, stays);
  };

  it('finds the least that the largest channel can hold', () => {
    expect(can(boardOf(2, 2), [2, 1, 0], atMost(8 * GB))).toBe(true);
    expect(can(boardOf(2, 2), [2, 1, 0], atMost(8 * GB - 1))).toBe(false);
    // Three of 4 in one channel beside one of 16 in the other.
    expect(can(boardOf(2, 3), [3, 0, 1], atMost(16 * GB))).toBe(true);
    expect(can(boardOf(2, 3), [2, 1, 0], each(8 * GB))).toBe(true);
    expect(can(boardOf(2, 3), [3, 1, 0], each(10 * GB))).toBe(false);
  });

  it('keeps to how many modules the fullest channel holds', () => {
    const demand = (least: number, most: number): Demand => ({ ...ANYWHERE, fullest: { least, most } });
    expect(can(boardOf(2, 2), [2, 0, 0], demand(0, 1))).toBe(true);
    expect(can(boardOf(2, 2), [3, 0, 0], demand(0, 1))).toBe(false);
    expect(can(boardOf(2, 2), [2, 0, 0], demand(2, 2))).toBe(true);
    expect(can(boardOf(2, 2), [1, 0, 0], demand(2, 2))).toBe(false);
  });

  it('matches banks where that is demanded', () => {
    const advised = { pairing: 'advised' as const };
    const matched: Demand = { ...ANYWHERE, matched: true };
    expect(can(boardOf(2, 2, advised), [2, 2, 0], matched)).toBe(true);
    expect(can(boardOf(2, 2, advised), [1, 1, 1], matched)).toBe(false);
    expect(can(boardOf(2, 1, advised), [1, 1, 0], matched)).toBe(false);
  });

  it('fills banks wholly where they must be paired', () => {
    const required = { pairing: 'required' as const };
    expect(can(boardOf(2, 2, required), [2, 2, 0], ANYWHERE)).toBe(true);
    expect(can(boardOf(2, 2, required), [1, 1, 0], ANYWHERE)).toBe(false);
    expect(can(boardOf(2, 2, required), [3, 0, 0], ANYWHERE)).toBe(false);
  });

  it('leaves modules where they are, as many as are asked for', () => {
    const board = boardOf(2, 2);
    const packing = new Packing(board, shapes, false);
    // Two of 16 sit in one channel today: one of them has to move for both channels to work.
    const stand = { slots: bare(4), left: [0, 0, 2], homes: [2, 2, -1, -1] };
    expect(packing.can(stand, ANYWHERE, 2)).toBe(true);
    expect(packing.can(stand, each(16 * GB), 1)).toBe(true);
    expect(packing.can(stand, each(16 * GB), 2)).toBe(false);
  });

  it('pairs as trying every way does', () => {
    // Two slots in each channel have a formula of their own; a slot that is closed takes the long way.
    const count = fc.integer({ min: 0, max: 4 });
    fc.assert(
      fc.property(
        fc.tuple(count, count, count),
        fc.integer({ min: 1, max: 4 }),
        fc.constantFrom(4, 8, 12, 16, 20, 24),
        (left, channels, gb) => {
          const modules = left.reduce((sum, one) => sum + one, 0);
          fc.pre(modules > channels && modules <= 2 * channels);
          const sizes = left.map((many, nr) => ({ mib: shapes[nr]?.capacityMiB ?? 0, count: many })).reverse();
          const board = boardOf(channels, 3);
          const slots = bare(3 * channels).map((mark, nr) => (nr % 3 === 2 ? CLOSED : mark));
          const stand = { slots, left, homes: none(slots.length) };
          const long = new Packing(board, shapes, false).can(stand, each(gb * GB), 0);
          expect(pairUp(sizes, channels, gb * GB)).toBe(long);
        },
      ),
      { numRuns: 500, seed: 20261125 },
    );
  });

  it('fills some channels with just so much as trying every way does, and leaves the others empty', () => {
    const count = fc.integer({ min: 0, max: 3 });
    let placed = 0;
    fc.assert(
      fc.property(
        fc.tuple(count, count, count),
        fc.constantFrom(8, 12, 16, 20, 24),
        fc.constantFrom(0, 1, 2),
        (left, gb, least) => {
          fc.pre(left.reduce((sum, one) => sum + one, 0) <= 8);
          const demand = { ...ANYWHERE, channel: { rule: 'each-filled' as const, mib: gb * GB } };
          const wanted: Demand = { ...demand, fullest: { least, most: Number.POSITIVE_INFINITY } };
          const ask = (banks: number) => {
            const slots = bare(4 * banks).map((mark, nr) => (nr % banks === 2 ? CLOSED : mark));
            const stand = { slots, left: [...left], homes: none(slots.length) };
            return new Packing(boardOf(4, banks), shapes, false).can(stand, wanted, 0);
          };
          const long = ask(3);
          expect(ask(2)).toBe(long);
          if (long) placed++;
        },
      ),
      { numRuns: 600, seed: 20261202 },
    );
    expect(placed).toBeGreaterThan(30);
  });
});

describe('seats', () => {
  const shapes = [shape(8 * GB), shape(16 * GB)];

  it('leave what is kept, fill the first sockets, and put lower tokens first', () => {
    const board = boardOf(2, 2);
    const packing = new Packing(board, shapes, false);
    const kept = { shape: 0, home: 3, token: 0 };
    const first = { shape: 1, home: -1, token: 1 };
    const second = { shape: 0, home: -1, token: 2 };
    expect(seats(board, packing, bare(4), [kept, first, second], ANYWHERE)).toEqual([1, -1, 2, 0]);
    // Both channels alike: the two of 8 share one.
    expect(seats(board, packing, bare(4), [kept, first, second], each(16 * GB))).toEqual([1, -1, 2, 0]);
    expect(seats(board, packing, bare(4), [kept, first], each(24 * GB))).toBeNull();
  });

  it('move as few as possible', () => {
    const board = boardOf(2, 2);
    const packing = new Packing(board, shapes, false);
    const modulesToPlace = [0, 1].map((home) => ({ shape: 0, home, token: home }));
    expect(seats(board, packing, bare(4), modulesToPlace, each(8 * GB))).toEqual([0, -1, 1, -1]);
  });

  it('sit as trying every way does', () => {
    const [channels, banks] = [3, 2];
    const size = channels * banks;
    const board = boardOf(channels, banks);
    const moduleToPlace = fc.record({ shape: fc.constantFrom(0, 1), home: fc.integer({ min: -1, max: size - 1 }) });
    const bought = fc.array(fc.constantFrom(0, 1), { maxLength: 4 });
    const demands = fc.record({
      rule: fc.constantFrom('at-most' as const, 'each' as const, 'each-filled' as const),
      mib: fc.constantFrom(8 * GB, 16 * GB, 24 * GB, 32 * GB),
      least: fc.constantFrom(0, 0, 2),
      most: fc.constantFrom(1, 2, Number.POSITIVE_INFINITY),
    });
    fc.assert(
      fc.property(
        fc.array(moduleToPlace, { maxLength: 3 }),
        bought,
        demands,
        (kept, more, { rule, mib, least, most }) => {
          const homes = kept.map(({ home }) => home);
          fc.pre(
            homes.every((home, nr) => home >= 0 && homes.indexOf(home) === nr) && kept.length + more.length <= size,
          );
          // What is bought comes from one offer of each shape.
          const modulesToPlace = [
            ...kept.map((one, token) => ({ ...one, token })),
            ...more.map((one) => ({ shape: one, home: -1, token: 3 + one })),
          ].sort((a, b) => a.token - b.token);
          const demand: Demand = { channel: { rule, mib }, fullest: { least, most }, matched: false };
          const found = seats(board, new Packing(board, shapes, false), bare(size), modulesToPlace, demand);
          const tokens = found?.map((nr) => modulesToPlace[nr]?.token ?? -1) ?? null;
          expect(tokens).toEqual(bestByTrying(board, modulesToPlace, demand));
        },
      ),
      { numRuns: 300, seed: 20261125 },
    );
  });

  /** By slot the token of who sits there, the best of all ways; null: there is none. */
  function bestByTrying(
    board: ReturnType<typeof boardOf>,
    modulesToPlace: readonly ModuleToPlace[],
    demand: Demand,
  ): number[] | null {
    let best: { rank: number[]; tokens: number[] } | null = null;
    const seated = board.channelOf.map(() => -1);
    const left = new Set(modulesToPlace.keys());
    const sit = (slot: number): void => {
      if (slot === seated.length) {
        if (left.size > 0 || !isAsDemanded(board, modulesToPlace, seated, demand)) return;
        const filled = seated.flatMap((nr, at) => (nr < 0 ? [] : [at]));
        const tokens = seated.map((nr) => modulesToPlace[nr]?.token ?? -1);
        const moved = filled.filter((at) => ![-1, at].includes(modulesToPlace[seated[at] ?? -1]?.home ?? -1));
        const positions = filled.map((at) => board.fillPosition[at] ?? 0).sort((a, b) => a - b);
        const rank = [moved.length, ...positions, ...filled.map((at) => tokens[at] ?? 0)];
        if (best === null || compareLists(rank, best.rank) < 0) best = { rank, tokens };
        return;
      }
      const tried = new Set<number>();
      for (const nr of [...left, -1]) {
        const token = modulesToPlace[nr]?.token ?? -1;
        if (tried.has(token)) continue;
        tried.add(token);
        left.delete(nr);
        seated[slot] = nr;
        sit(slot + 1);
        if (nr >= 0) left.add(nr);
      }
    };
    sit(0);
    return (best as { tokens: number[] } | null)?.tokens ?? null;
  }

  function isAsDemanded(
    board: ReturnType<typeof boardOf>,
    modulesToPlace: readonly ModuleToPlace[],
    seated: readonly number[],
    { channel: { rule, mib }, fullest }: Demand,
  ): boolean {
    const held = board.slotsOf.map((slots) =>
      slots.flatMap((slot) => shapes[modulesToPlace[seated[slot] ?? -1]?.shape ?? -1]?.capacityMiB ?? []),
    );
    const most = Math.max(...held.map((one) => one.length));
    if (most < fullest.least || most > fullest.most) return false;
    return held.every((one) => {
      const sum = one.reduce((a, b) => a + b, 0);
      return rule === 'at-most' ? sum <= mib : sum === mib || (rule === 'each-filled' && sum === 0);
    });
  }

  it('keep what must be filled and what stays empty where the fill order is required', () => {
    const board = boardOf(2, 2, { fillRule: 'required' });
    const packing = new Packing(board, shapes, false);
    const stand = { slots: [OPEN, MUST, OPEN, OPEN], left: [1, 0], homes: none(4) };
    // The first of the order are S0 and S2.
    expect(packing.can(stand, ANYWHERE, 0)).toBe(false);
    expect(packing.can({ ...stand, slots: bare(4), left: [2, 0] }, ANYWHERE, 0)).toBe(true);
  });
});

describe('caps by load', () => {
  const machine = {
    rateByLoad: [
      { modulesPerChannel: 2, maxRateMTs: 4400 },
      { modulesPerChannel: 2, ranks: 2, maxRateMTs: 4000 },
      { modulesPerChannel: 3, maxRateMTs: 4800 },
    ],
  } as Machine;

  it('are those that hold, the highest first; a rule that caps no more than another says nothing', () => {
    const caps = loadCaps(machine, 1).map(({ least, most, maxRateMTs }) => [least, most, maxRateMTs]);
    expect(caps).toEqual([
      [0, 1, Number.POSITIVE_INFINITY],
      [2, Number.POSITIVE_INFINITY, 4400],
    ]);
    expect(capUnderLoad(loadCaps(machine, 2), 2)).toBe(4000);
    expect(capUnderLoad(loadCaps(machine, 2), 1)).toBe(Number.POSITIVE_INFINITY);
  });
});
