import type { PlanCase } from '../core/planning/model/case';
import { LANES } from '../core/planning/model/lanes';
import { WORKED_CASES } from '../testing/worked-cases';
import { goalKey, likelyGoals } from './likely-goals';

const kiosk = new Map(WORKED_CASES).get('library-kiosk');
if (kiosk === undefined) throw new Error('the case is gone');
const planCase: PlanCase = { ...kiosk, goal: null };
const keys = (goal: PlanCase['goal']) => likelyGoals({ ...planCase, goal }).map(goalKey);

test('wishes are the same in any order, and one that is not there is none', () => {
  expect(goalKey({ minRateMTs: 2400, lanes: ['original'] })).toBe(goalKey({ lanes: ['original'], minRateMTs: 2400 }));
  expect(goalKey({ minRateMTs: null, lanes: ['used'] })).toBe(goalKey({ lanes: ['used'] }));
  expect(goalKey(null)).toBe(goalKey({}));
  expect(goalKey({ minRateMTs: 2400 })).not.toBe(goalKey({ minRateMTs: 2133 }));
});

test('from no wish at all: each lane left out, and each rate', () => {
  const all = keys(null);
  for (const lane of LANES) expect(all).toContain(goalKey({ lanes: LANES.filter((one) => one !== lane) }));
  expect(all).not.toContain(goalKey({}));
  expect(likelyGoals(planCase).filter(({ minRateMTs }) => minRateMTs != null).length).toBeGreaterThan(0);
  expect(new Set(all).size).toBe(all.length);
});

test('a lane comes back, and other wishes stay as they are', () => {
  const [out, ...rest] = LANES;
  const all = keys({ lanes: rest, without: ['o1'] });
  expect(all).toContain(goalKey({ without: ['o1'] }));
  expect(all).toContain(goalKey({ without: ['o1'], lanes: rest.slice(1) }));
  expect(all.every((key) => key.includes('"o1"'))).toBe(true);
  expect(out).toBe('mixed');
});

test('the last lane is not left out', () => {
  expect(keys({ lanes: ['used'] })).not.toContain(goalKey({ lanes: [] }));
});
