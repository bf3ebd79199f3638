import { WORKED_CASES } from '../../../testing/worked-cases';
import type { PlanCase } from '../model/case';
import { CASE_LIMITS } from '../model/case-limits';
import { answer } from '../search/answer';
import type { Plan } from '../search/plan';
import { GB, makeCase, offer, stick } from '../testing/small-case';
import { caseAfter, growLater } from './grow-later';

function planOf(planCase: PlanCase, wanted: (plan: Plan) => boolean): Plan {
  const found = answer(planCase).plans.find(wanted);
  if (found === undefined) throw new Error('there is no such plan');
  return found;
}

const module16 = { ...stick, capacityMiB: 16 * GB };
const shop = [offer('eight', 2000), offer('sixteen', 5000, { module: module16 })];
const buying = (what: string) => (plan: Plan) =>
  plan.bought.map(({ offer: id, count }) => `${count}x${id}`).join('+') === what;

describe('the next step up', () => {
  it('is from half as much again on, at its least price, with what is there', () => {
    const planCase = makeCase({ offers: shop, labourCents: 1500 });
    expect(growLater(planCase, planOf(planCase, buying('1xeight')))).toEqual({
      ...{ is: 'step', totalMiB: 16 * GB, priceCents: 3500 },
      ...{ boughtNow: 1, boughtKept: 1, out: 0 },
    });
    // Of 24 GB a step to 32 would not be felt; four slots take 48 at the least price with one of 16 and one of 8.
    expect(
      growLater(
        planCase,
        planOf(planCase, (plan) => plan.totalMiB === 16 * GB && plan.bought.length === 1),
      ),
    ).toMatchObject({
      ...{ is: 'step', totalMiB: 24 * GB, out: 0 },
    });
  });

  it('throws away what has no room any more, and says how much of it was bought now', () => {
    const planCase = makeCase({ offers: shop }, { slots: makeCase().machine.slots.slice(0, 2) });
    const full = planOf(planCase, buying('2xeight'));
    expect(growLater(planCase, full)).toEqual({
      ...{ is: 'step', totalMiB: 24 * GB, priceCents: 5000 },
      ...{ boughtNow: 2, boughtKept: 1, out: 1 },
    });
    const both = growLater(
      { ...planCase, offers: shop.map((one) => ({ ...one, modules: 2 })) },
      planOf({ ...planCase, offers: shop.map((one) => ({ ...one, modules: 2 })) }, buying('1xeight')),
    );
    expect(both).toMatchObject({ totalMiB: 32 * GB, boughtNow: 2, boughtKept: 0, out: 2 });
  });

  it('does not buy again what there was one of', () => {
    const planCase = makeCase({ offers: [offer('last', 500, { origin: 'used', stock: 1 }), offer('eight', 2000)] });
    const plan = planOf(planCase, buying('1xlast'));
    expect(growLater(planCase, plan)).toMatchObject({ totalMiB: 16 * GB, priceCents: 2000 });
    expect(caseAfter(planCase, plan).offers.find(({ id }) => id === 'last')?.stock).toBe(0);
  });

  it('is none where nothing on offer leads further, whether or not slots are free', () => {
    const planCase = makeCase({ offers: [offer('pair', 2000, { modules: 2, stock: 1 })] });
    expect(growLater(planCase, planOf(planCase, buying('1xpair')))).toEqual({ is: 'end', openSlots: 2 });
  });

  it('does not go above what is known to work, unless the plan is there already', () => {
    const planCase = makeCase({ offers: shop }, { ceilings: { totalMiB: { official: 16 * GB, proven: 64 * GB } } });
    expect(growLater(planCase, planOf(planCase, buying('2xeight')))).toEqual({ is: 'end', openSlots: 2 });
    const above = planOf(planCase, (plan) => plan.care === 'off-book' && plan.totalMiB === 32 * GB);
    expect(growLater(planCase, above)).toMatchObject({ is: 'step', totalMiB: 48 * GB });
  });

  it('is none where the operating system sees no more, whatever fits', () => {
    const planCase = makeCase({ offers: shop }, { os: { name: 'a small one', visibleMiB: 12 * GB } });
    const plan = (mib: number) => planOf({ ...planCase, machine: makeCase().machine }, (one) => one.totalMiB === mib);
    expect(growLater(planCase, plan(16 * GB))).toMatchObject({ is: 'end' });
    expect(growLater(planCase, plan(8 * GB))).toMatchObject({ is: 'step', totalMiB: 16 * GB });
  });

  it('keeps to the offers that are wanted, and to nothing else that was wished for', () => {
    const offers = [...shop, offer('used', 100, { origin: 'used' })];
    const goal = { maxPriceCents: 2500, minMiB: 8 * GB, minOpenSlots: 3, without: ['used'] };
    const planCase = makeCase({ offers, goal });
    const plan = planOf(planCase, buying('1xeight'));
    expect(caseAfter(planCase, plan).goal).toEqual({ without: ['used'] });
    expect(growLater(planCase, plan)).toMatchObject({ totalMiB: 16 * GB, priceCents: 2000 });
  });
});

let compared = 0;
afterAll(() => expect(compared).toBeGreaterThan(40));

/** Cases whose modules may all go, so that what is bought in two steps could be bought in one. */
const FREE = WORKED_CASES.filter(([, { installed }]) => installed.every(({ keep }) => keep !== 'must'));

test.each(FREE)(
  '%s: two steps never come cheaper than one to the same total, and never end where one does not',
  (_, full) => {
    const planCase = { ...full, goal: null };
    const { plans } = answer(planCase);
    for (const plan of plans.filter((__, nr) => nr % Math.ceil(plans.length / 8) === 0)) {
      const growth = growLater(planCase, plan);
      const after = caseAfter(planCase, plan);
      expect(after.installed.reduce((sum, { module }) => sum + module.capacityMiB, 0)).toBe(
        plan.totalMiB - soldered(planCase),
      );
      if (growth.is === 'end') continue;
      const { plans: onward } = answer(after);
      const steps = onward.filter((one) => one.totalMiB === growth.totalMiB && one.priceCents === growth.priceCents);
      expect(steps.length).toBeGreaterThan(0);
      // A plan buys of few offers, so two of them may be more than one can be.
      const isOne = (step: Plan) =>
        new Set([...plan.bought, ...step.bought].map(({ offer: id }) => id)).size <= CASE_LIMITS.offersInPlan;
      expect(growth.boughtNow - growth.boughtKept).toBeLessThanOrEqual(growth.out);
      // What is bought and thrown away again could not be bought at once: a pack is fitted whole.
      if (!steps.some(isOne) || growth.boughtKept < growth.boughtNow) continue;
      compared++;
      const atOnce = plans.filter(({ totalMiB }) => totalMiB === growth.totalMiB).map(({ priceCents }) => priceCents);
      expect(Math.min(...atOnce)).toBeLessThanOrEqual(plan.priceCents + growth.priceCents);
    }
  },
);

const soldered = ({ machine }: PlanCase): number =>
  machine.slots.reduce((sum, slot) => sum + (slot.soldered?.capacityMiB ?? 0), 0);
