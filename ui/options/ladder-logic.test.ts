import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { answer } from '@/core/planning/answer';
import { planKey, rungsOf } from '@/core/planning/ladder';
import { dodge } from './dodge';
import { nextPlanKey } from './ladder-keys';

const file = join(__dirname, '..', '..', 'core', 'planning', 'cases', 'bakery-till.case.json');
const rungs = [...rungsOf(answer(JSON.parse(readFileSync(file, 'utf8'))).plans)].reverse();

describe('marks on a line', () => {
  it('never hide each other', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 800 }), { maxLength: 60 }), (positions) => {
        const xs = positions.sort((a, b) => a - b);
        const rows = dodge(xs, 27);
        xs.forEach((x, index) => {
          xs.slice(0, index).forEach((other, before) => {
            if (rows[index] === rows[before]) expect(x - other).toBeGreaterThanOrEqual(27);
          });
        });
      }),
    );
  });

  it('stay in one row where they have room', () => {
    expect(dodge([0, 30, 60], 27)).toEqual([0, 0, 0]);
    expect(dodge([0, 0, 10, 30], 27)).toEqual([0, 1, 2, 0]);
    expect(dodge([], 27)).toEqual([]);
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
