import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { planKey, rungsOf } from '@/core/planning/filters/ladder';
import { answer } from '@/core/planning/search/answer';
import { nextPlanKey } from './ladder/ladder-keys';
import { priceAt, priceScale, steadied } from './ladder/price-scale';
import { seatMarks } from './ladder/seat-marks';

const file = join(__dirname, '..', '..', 'core', 'planning', 'cases', 'bakery-till.case.json');
const rungs = [...rungsOf(answer(JSON.parse(readFileSync(file, 'utf8'))).plans)].reverse();

describe('marks on a line', () => {
  const marks = (...xs: number[]) => xs.map((x, nr) => ({ key: String(nr), x }));

  it('never hide each other, and none is lost', () => {
    const xs = fc.array(fc.integer({ min: 0, max: 800 }), { maxLength: 60 });
    fc.assert(
      fc.property(xs, fc.constantFrom(1, 3, undefined), (positions, rows) => {
        const { seated, folded } = seatMarks(marks(...positions), 28, rows);
        expect(seated.length + folded.length).toBe(positions.length);
        if (rows === undefined) expect(folded).toEqual([]);
        for (const one of seated) {
          expect(one.row).toBeLessThan(rows ?? 61);
          const beside = seated.filter((other) => other !== one && other.row === one.row);
          for (const other of beside) expect(Math.abs(one.x - other.x)).toBeGreaterThanOrEqual(28);
        }
      }),
    );
  });

  it('stay in one row where they have room, and the first to come are seated first', () => {
    const rows = (xs: number[]) => seatMarks(marks(...xs), 27).seated.map(({ row }) => row);
    expect(rows([0, 30, 60])).toEqual([0, 0, 0]);
    expect(rows([0, 0, 10, 30])).toEqual([0, 1, 2, 0]);
    expect(seatMarks(marks(50, 55, 60), 27, 1)).toEqual({ seated: [{ key: '0', x: 50, row: 0 }], folded: ['1', '2'] });
  });
});

describe('the price axis', () => {
  it('is linear and begins at zero, unless the dearest presses the others together', () => {
    const even = priceScale([5_000, 6_000, 9_000], 700);
    expect([even.kind, even.at(0), even.at.domain()[0]]).toEqual(['linear', 0, 0]);
    const spread = priceScale([400, 900, 1_200, 400_000], 700);
    expect([spread.kind, spread.at(0)]).toEqual(['root', 0]);
    // Half of the plans have more than a twentieth of the room: linear it would be a three-hundredth.
    expect(spread.at(1_200)).toBeGreaterThan(700 / 20);
    // Cheap ones are told apart though most plans are dear.
    expect(priceScale([4_600, 6_300, 300_000, 400_000, 560_000], 700).kind).toBe('root');
  });

  it('writes whole amounts with room between them', () => {
    for (const prices of [[5_000, 9_000], [400, 900, 400_000], [-2_000, 3_000], []]) {
      const { ticks, at } = priceScale(prices, 700);
      expect(ticks.length).toBeGreaterThan(0);
      expect(ticks.every((tick) => tick % 100 === 0)).toBe(true);
      ticks.slice(1).forEach((tick, nr) => {
        expect(at(tick) - at(ticks[nr] ?? 0)).toBeGreaterThanOrEqual(64);
      });
    }
  });

  it('stays as it is while it serves, and is drawn again where prices leave it or shrink in a corner of it', () => {
    const before = priceScale([5_000, 9_000, 10_000], 700);
    expect(steadied(null, before)).toBe(before);
    expect(steadied(before, priceScale([5_000, 10_000], 700))).toBe(before);
    expect(steadied(before, priceScale([5_000, 7_000], 700))).toBe(before);
    for (const next of [
      [3_000, 4_000],
      [5_000, 14_000],
      [400, 900, 1_200, 400_000],
    ].map((prices) => priceScale(prices, 700))) {
      expect(steadied(before, next)).toBe(next);
    }
    const narrower = priceScale([5_000, 10_000], 500);
    expect(steadied(before, narrower)).toBe(narrower);
  });

  it('tells the price under a place, never below one step', () => {
    const scale = priceScale([10_000], 700);
    expect(priceAt(scale, scale.at(5_049))).toBe(5_000);
    expect(priceAt(scale, -40)).toBe(100);
  });
});

describe('arrow keys on the ladder', () => {
  const keys = rungs.map((rung) => rung.plans.map(planKey));
  const [top, second] = rungs;

  it('go along the rung by price and stop at its ends', () => {
    const row = keys.find((one) => one.length > 2) ?? [];
    expect(nextPlanKey(rungs, row[0] ?? '', 'ArrowRight')).toBe(row[1]);
    expect(nextPlanKey(rungs, row[1] ?? '', 'ArrowLeft')).toBe(row[0]);
    expect(nextPlanKey(rungs, row[0] ?? '', 'ArrowLeft')).toBeNull();
    expect(nextPlanKey(rungs, row[1] ?? '', 'Home')).toBe(row[0]);
    expect(nextPlanKey(rungs, row[0] ?? '', 'End')).toBe(row.at(-1));
  });

  it('go to the nearest price on the next rung, and not off the picture', () => {
    const from = top?.plans[0];
    const to = nextPlanKey(rungs, from === undefined ? '' : planKey(from), 'ArrowDown');
    const gaps = second?.plans.map((plan) => Math.abs(plan.priceCents - (from?.priceCents ?? 0))) ?? [];
    const reached = second?.plans.find((plan) => planKey(plan) === to);
    expect(Math.abs((reached?.priceCents ?? 1e9) - (from?.priceCents ?? 0))).toBe(Math.min(...gaps));
    expect(nextPlanKey(rungs, from === undefined ? '' : planKey(from), 'ArrowUp')).toBeNull();
  });

  it('leave other keys and unknown plans alone', () => {
    expect(nextPlanKey(rungs, keys[0]?.[0] ?? '', 'a')).toBeNull();
    expect(nextPlanKey(rungs, 'nobody', 'ArrowDown')).toBeNull();
  });
});
