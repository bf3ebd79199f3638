import fc from 'fast-check';
import { boardOf } from '../../testing/board-of';
import { Packing } from './packing';
import { CLOSED, type Demand, MUST, OPEN } from './partial-placement';
import type { Shape } from './shape';

const GB = 1024;
const shapes = [4, 8, 16, 12].map((gb): Shape => ({ capacityMiB: gb * GB, ranks: null, rateMTs: 0, home: -1 }));

/** What may be in a slot at first: a module, or a mark. */
const mark = fc.constantFrom(OPEN, OPEN, OPEN, OPEN, OPEN, MUST, CLOSED, 0, 1, 2, 3);
const count = fc.integer({ min: 0, max: 4 });

it('two slots in each channel are filled as trying every way does', () => {
  let placed = 0;
  let refused = 0;
  fc.assert(
    fc.property(
      fc
        .integer({ min: 1, max: 4 })
        .chain((channels) =>
          fc.tuple(fc.constant(channels), fc.array(mark, { minLength: 2 * channels, maxLength: 2 * channels })),
        ),
      fc.tuple(count, count, count, count),
      fc.record({
        rule: fc.constantFrom('at-most' as const, 'each' as const),
        gb: fc.constantFrom(8, 12, 16, 20, 24, 28, 32, Number.POSITIVE_INFINITY),
        least: fc.constantFrom(0, 1, 2),
        most: fc.constantFrom(0, 1, 2, 2, 2, Number.POSITIVE_INFINITY),
      }),
      fc.tuple(
        fc.array(fc.constantFrom(-1, -1, 0, 1, 2), { minLength: 8, maxLength: 8 }),
        fc.integer({ min: 0, max: 3 }),
      ),
      ([channels, marks], left, { rule, gb, least, most }, [today, stays]) => {
        // What is to be placed is in a slot today that takes something, as far as there is so much of it.
        const waiting = [...left];
        const homes = marks.map((one, slot) => {
          const home = today[slot] ?? -1;
          if (one === CLOSED || one >= 0 || home < 0 || (waiting[home] ?? 0) === 0) return -1;
          waiting[home] = (waiting[home] ?? 0) - 1;
          return home;
        });
        const modules = left.reduce((sum, one) => sum + one, 0);
        fc.pre(modules <= marks.filter((one) => one === OPEN || one === MUST).length);
        fc.pre(rule === 'at-most' || gb < Number.POSITIVE_INFINITY);
        const demand: Demand = { channel: { rule, mib: gb * GB }, fullest: { least, most }, matched: false };
        const ask = (banks: number, slots: number[], own: number[]) =>
          new Packing(boardOf(channels, banks), shapes, false).can(
            { slots, left: [...left], homes: own },
            demand,
            stays,
          );
        // A third slot that is closed changes nothing, but takes the long way.
        const third = <T>(own: readonly T[], more: T) => own.flatMap((one, nr) => (nr % 2 === 1 ? [one, more] : [one]));
        const long = ask(3, third(marks, CLOSED), third(homes, -1));
        expect(ask(2, marks, homes)).toBe(long);
        if (long) placed++;
        else refused++;
      },
    ),
    { numRuns: 4000, seed: 20261202 },
  );
  // Neither is the rule.
  expect(Math.min(placed, refused)).toBeGreaterThan(300);
});

it('tells at once what the fullest channel holds at least on a bare board', () => {
  const board = boardOf(3, 2);
  const bare = { slots: new Array<number>(6).fill(OPEN), left: [0, 0, 0, 0], homes: new Array<number>(6).fill(-1) };
  fc.assert(
    fc.property(fc.tuple(count, count, count, count), fc.constantFrom(0, 2), (left, least) => {
      const modules = left.reduce((sum, one) => sum + one, 0);
      fc.pre(modules >= Math.max(1, least) && modules <= 6);
      const packing = new Packing(board, shapes, false);
      const fullest = { least, most: Number.POSITIVE_INFINITY };
      const holds = (mib: number) =>
        packing.can({ ...bare, left: [...left] }, { channel: { rule: 'at-most', mib }, fullest, matched: false }, 0);
      const told = packing.leastLargest(bare, left, fullest) ?? 0;
      expect(holds(told)).toBe(true);
      expect(holds(told - 1)).toBe(false);
    }),
    { numRuns: 400, seed: 20261202 },
  );
});
