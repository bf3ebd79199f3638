import { WORKED_CASES } from '../../../testing/worked-cases';
import type { Goal, PlanCase } from '../model/case';
import { answer } from './answer';
import type { Plan } from './plan';
import { type Change, Planner } from './planner';

/** What a technician may steer, one after another: each builds on the one before. */
function changes(planCase: PlanCase): Change[] {
  const [offer, other] = planCase.offers;
  const [installed] = planCase.installed;
  const goals: Goal[] = [
    { minMiB: 16 * 1024 },
    { minMiB: 8 * 1024, maxPriceCents: 20_000 },
    { maxPriceCents: 15_000, minOpenSlots: 1 },
    { minRateMTs: 2400 },
    { lanes: ['third-party', 'used'] },
    { lanes: ['used'] },
    { lanes: ['mixed', 'used'] },
    { lanes: ['mixed', 'used', 'original'] },
    { lanes: ['original', 'third-party'], maxOffers: 1 },
    { without: offer === undefined ? [] : [offer.id] },
  ];
  return [
    ...goals.map((goal) => ({ goal })),
    { goal: null },
    ...(installed === undefined ? [] : [{ keep: { [installed.slot]: 'must' as const } }]),
    ...(installed === undefined ? [] : [{ keep: { [installed.slot]: 'never' as const } }]),
    ...(other === undefined ? [] : [{ prices: { [other.id]: other.priceCents * 3 } }]),
    ...(offer === undefined ? [] : [{ prices: { [offer.id]: 1 }, goal: { maxPriceCents: 30_000 } }]),
  ];
}

test.each(WORKED_CASES)('%s: planned again after each change as if it were new', (_, planCase) => {
  const planner = new Planner(planCase);
  expect(planner.answer()).toEqual(answer(planCase));
  for (const change of changes(planCase)) {
    planner.change(change);
    expect(planner.answer()).toEqual(answer(planner.planCase));
  }
});

test.each(WORKED_CASES)('%s: told what at least so much costs at least', (_, planCase) => {
  const planner = new Planner({ ...planCase, goal: null });
  const { plans, baseline } = planner.answer();
  const told = planner.leastPrices();
  const rising = plans.filter(({ totalMiB }) => totalMiB > baseline.totalMiB);
  expect(told.map(({ totalMiB }) => totalMiB)).toEqual([...told.map(({ totalMiB }) => totalMiB)].sort((a, b) => a - b));
  expect(told.length > 0).toBe(rising.length > 0);
  for (const { totalMiB } of rising) {
    const enough = rising.filter((plan) => plan.totalMiB >= totalMiB).map((plan) => plan.priceCents);
    expect(told.find((stair) => stair.totalMiB >= totalMiB)?.priceCents).toBe(Math.min(...enough));
  }
  for (const { totalMiB, priceCents } of told) {
    expect(rising.filter((plan) => plan.totalMiB === totalMiB && plan.priceCents === priceCents)).not.toEqual([]);
  }
});

test.each(WORKED_CASES)('%s: the nearest plans are those of the answer', (_, planCase) => {
  const planner = new Planner(planCase);
  const { plans: first, ...today } = planner.nearest();
  const { plans, ...rest } = new Planner(planCase).answer();
  expect(today).toEqual(rest);
  const figures = ({ totalMiB, priceCents }: Plan) => `${totalMiB} ${priceCents}`;
  const known = new Set(plans.map(figures));
  expect(first.filter((plan) => !known.has(figures(plan)))).toEqual([]);
  const rises = plans.some(({ totalMiB, bought }) => bought.length > 0 && totalMiB > today.baseline.totalMiB);
  expect(first.length > 0).toBe(rises);
  // What it told before does not change what it answers.
  expect(planner.answer().plans).toEqual(plans);
});

test('slots and offers that a case does not have are passed over', () => {
  const [, planCase] = WORKED_CASES[0] ?? ['', {} as PlanCase];
  const planner = new Planner(planCase);
  planner.change({ keep: { nowhere: 'must' }, prices: { nothing: 1 } });
  expect(planner.planCase).toEqual(planCase);
});
