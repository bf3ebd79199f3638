import { WORKED_CASES } from '../../../testing/worked-cases';
import type { Goal, PlanCase } from '../model/case';
import { answer } from './answer';
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
  const { plans } = planner.answer();
  const told = planner.leastPrices();
  const totals = told.map(({ totalMiB }) => totalMiB);
  expect(totals).toEqual([...totals].sort((a, b) => a - b));
  expect(plans.filter(({ totalMiB }) => !totals.includes(totalMiB))).toEqual([]);
  for (const { totalMiB, priceCents } of told) {
    const enough = plans.filter((plan) => plan.totalMiB >= totalMiB).map((plan) => plan.priceCents);
    expect(priceCents).toBe(Math.min(...enough));
  }
});

test('slots and offers that a case does not have are passed over', () => {
  const [, planCase] = WORKED_CASES[0] ?? ['', {} as PlanCase];
  const planner = new Planner(planCase);
  planner.change({ keep: { nowhere: 'must' }, prices: { nothing: 1 } });
  expect(planner.planCase).toEqual(planCase);
});
