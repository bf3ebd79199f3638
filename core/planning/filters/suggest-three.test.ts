import { WORKED_CASES } from '../../../testing/worked-cases';
import type { PlanCase } from '../model/case';
import { answer } from '../search/answer';
import type { Plan } from '../search/plan';
import { english } from '../testing/english';
import { rungsOf } from './ladder';
import { missedBy, type Steering, UNSTEERED } from './steering';
import { type SuggestInput, type Suggestion, suggestThree } from './suggest-three';
import { becauseText } from './suggestion-words';

const GB = 1024;
const till = WORKED_CASES.find(([name]) => name === 'bakery-till')?.[1] as PlanCase;

function suggest(steering: Partial<Steering>, more: Partial<SuggestInput> = {}, planCase = till) {
  const whole = { ...UNSTEERED, ...steering };
  const { plans, baseline } = answer({ ...planCase, goal: null });
  const rungs = rungsOf(plans, { isWanted: (plan) => missedBy(whole, plan) === null });
  const input = { rungs, steering: whole, todayMiB: baseline.totalMiB, cover: null, toleranceBp: 500 };
  return suggestThree({ ...input, ...more });
}

const reasonOf = (one: Suggestion | undefined): string => (one === undefined ? '' : becauseText(english, one.because));

describe('three suggestions', () => {
  it('are enough, comfortable and the most that the budget reaches, each with its reason', () => {
    const found = suggest({ needMiB: 16 * GB, budgetCents: 15_000 });
    expect(found.map(({ purpose }) => purpose)).toEqual(['enough', 'comfortable', 'most']);
    const [enough, comfortable, most] = found.map(({ plan }) => plan.totalMiB / GB);
    expect(enough).toBe(16);
    expect(comfortable).toBeGreaterThanOrEqual(24);
    expect(most).toBeGreaterThan(comfortable ?? 0);
    expect(found.every(({ plan }) => plan.priceCents <= 15_000)).toBe(true);
    expect(reasonOf(found[0])).toContain('just what is needed');
    expect(reasonOf(found[2])).toContain('budget of €150.00');
  });

  it('begin with the first step up where no need is known', () => {
    const [first, , last] = suggest({});
    expect(reasonOf(first)).toContain('the first step up that pays');
    expect(reasonOf(last)).toContain('what this machine can be brought to');
  });

  it('go by what its use asks for where no need is typed, and say so; a need that is typed counts before it', () => {
    const asked = { by: 'use' as const, name: 'Photo editing', needMiB: 16 * GB };
    const found = suggest({}, { asked });
    expect(found[0]?.plan.totalMiB).toBe(16 * GB);
    expect(reasonOf(found[0])).toContain('Photo editing needs 16 GB');
    expect(found.every(({ plan }) => plan.totalMiB >= 16 * GB)).toBe(true);
    expect(found).toEqual(
      suggest({ needMiB: 16 * GB }).map((one, nr) => (nr === 0 ? { ...one, because: found[0]?.because } : one)),
    );
    expect(reasonOf(suggest({ needMiB: 12 * GB }, { asked })[0])).not.toContain('Photo editing');
    for (const by of ['in-use', 'system', 'floor'] as const) {
      expect(reasonOf(suggest({}, { asked: { by, name: 'a system', needMiB: 16 * GB } })[0])).toContain('16 GB');
    }
    // Nothing reaches it: less is better than nothing, and is not said to be enough for it.
    const beyond = suggest({}, { asked: { ...asked, needMiB: 4096 * GB } });
    expect(beyond.map(({ plan }) => plan)).toEqual(suggest({}).map(({ plan }) => plan));
    expect(reasonOf(beyond[0])).toContain('the first step up that pays');
  });

  it('never are less memory for as much money and no less to mind', () => {
    for (const [, planCase] of WORKED_CASES) {
      const found = suggest({}, {}, planCase);
      for (const [nr, { plan }] of found.entries()) {
        const bargain = found
          .slice(nr + 1)
          .find((later) => later.plan.priceCents <= plan.priceCents && later.plan.care === plan.care);
        expect(bargain).toBeUndefined();
      }
    }
    // An 8 GB module for next to nothing: nobody is offered 4 GB for more.
    const [first] = till.offers;
    if (first === undefined) throw new Error('no offer');
    const bargain = {
      ...first,
      id: 'bargain',
      module: { ...first.module, capacityMiB: 8 * GB },
      modules: 1,
      priceCents: 1,
    };
    const [enough] = suggest({}, {}, { ...till, offers: [...till.offers, bargain] });
    expect(enough?.plan.bought.map(({ offer }) => offer)).toEqual(['bargain']);
  });

  it('is never slower than today or of mixed rates where a clear plan costs at most a tenth more, and says so', () => {
    let swapped = 0;
    for (const [, planCase] of WORKED_CASES) {
      const { plans, baseline } = answer({ ...planCase, goal: null });
      const totals = [...new Set(plans.map(({ totalMiB }) => totalMiB))].sort((a, b) => a - b);
      for (const needMiB of [null, ...totals]) {
        const bounds = { ...UNSTEERED, needMiB };
        const isWanted = (plan: Plan) => missedBy(bounds, plan) === null;
        const rungs = rungsOf(plans, { isWanted });
        const input = { rungs, steering: bounds, todayMiB: baseline.totalMiB, cover: null, toleranceBp: 500 };
        const [enough] = suggestThree(input);
        if (enough === undefined) continue;
        if (enough.because.why === 'clear') {
          swapped++;
          expect(enough.plan.care).toBe('clear');
          expect(reasonOf(enough)).toMatch(
            /^Enough: for .* than the cheapest (it is no slower|all modules run at one)/,
          );
          continue;
        }
        const isHalting = enough.plan.reasons.some((one) => one === 'slower-than-today' || one === 'mixed-rate');
        if (!isHalting) continue;
        const next = totals[totals.indexOf(enough.plan.totalMiB) + 1];
        const better = plans.filter(
          (plan) =>
            plan.care === 'clear' &&
            isWanted(plan) &&
            (plan.totalMiB === enough.plan.totalMiB || plan.totalMiB === next) &&
            plan.priceCents * 10 <= enough.plan.priceCents * 11,
        );
        expect(better).toEqual([]);
      }
    }
    expect(swapped).toBeGreaterThan(0);
  });

  it('are fewer where fewer are wanted, and none where none is', () => {
    expect(suggest({ budgetCents: 1 })).toEqual([]);
    expect(suggest({ needMiB: 64 * GB }).length).toBeLessThan(3);
  });

  it('have an original among them under warranty or a support contract', () => {
    for (const cover of ['warranty', 'support'] as const) {
      const found = suggest({ needMiB: 16 * GB }, { cover });
      expect(found.some(({ plan }) => plan.lane === 'original')).toBe(true);
    }
    expect(reasonOf(suggest({ needMiB: 16 * GB }, { cover: 'warranty' }).at(-1))).toContain('under warranty');
  });

  it.each(WORKED_CASES)('%s: are different plans of more than today', (_, planCase) => {
    const found = suggest({}, {}, planCase);
    const today = answer(planCase).baseline.totalMiB;
    expect(found.every(({ plan }) => plan.totalMiB > today)).toBe(true);
    expect(new Set(found.map(({ plan }) => plan)).size).toBe(found.length);
  });
});
