import fc from 'fast-check';
import { amount } from '../../../testing/amount';
import type { PlanCase } from '../model/case';
import { careLevel } from '../rules/care';
import { answer } from '../search/answer';
import { atLeastAsGood } from '../search/frontier';
import type { Plan } from '../search/plan';
import { bruteForce, bruteForceSet } from '../testing/brute-force';
import { caseArbitrary, equalMachinesArbitrary } from '../testing/case-arbitrary';
import { GB, makeCase, offer, stick } from '../testing/small-case';
import { handMade } from './hand-made';

const SEED = 20261202;
const RUNS = amount(1200, 6000);

const figures = (plan: Plan) => ({ ...plan, care: careLevel(plan.care) });
const setName = ({ kept, bought }: Pick<Plan, 'kept' | 'bought'>) => JSON.stringify([kept, bought]);

const choiceArbitrary = fc.record({
  planCase: fc.oneof({ weight: 2, arbitrary: caseArbitrary }, { weight: 1, arbitrary: equalMachinesArbitrary }),
  stays: fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }),
  packs: fc.array(fc.constantFrom(0, 0, 1, 1, 2, 3), { minLength: 4, maxLength: 4 }),
  like: fc.constantFrom('any', 'any', 'shown', 'unwished', 'without the first', 'twin' as const),
  nr: fc.nat({ max: 30 }),
});

/** A plan of the ladder, of the one without wishes, or of the one without what its first plan buys; null: there is none. */
function planLike(planCase: PlanCase, like: string, nr: number): Plan | null {
  if (like === 'any') return null;
  const wished = like === 'unwished' ? { ...planCase, goal: { maxOffers: 3 } } : planCase;
  const { plans } = answer(wished);
  const out = new Set(
    like === 'without the first' ? plans[nr % Math.max(plans.length, 1)]?.bought.map((one) => one.offer) : [],
  );
  const found =
    out.size === 0 ? plans : answer({ ...wished, offers: wished.offers.filter(({ id }) => !out.has(id)) }).plans;
  return found[nr % Math.max(found.length, 1)] ?? null;
}

test('a set put together by hand is what trying everything says of it', () => {
  const met = new Map<string, number>();
  const note = (name: string) => met.set(name, (met.get(name) ?? 0) + 1);
  const property = fc.property(choiceArbitrary, ({ planCase: made, stays, packs, like, nr: which }) => {
    const model = planLike(made, like, which);
    // The same from somebody else, a little dearer, is bought in the place of the first.
    const [first] = like === 'twin' ? (model?.bought ?? []) : [];
    const twin = made.offers.flatMap((one) =>
      one.id === first?.offer ? [{ ...one, id: 'twin', priceCents: one.priceCents + 1 }] : [],
    );
    const planCase = { ...made, offers: [...made.offers, ...twin] };
    const plan =
      model === null || twin.length === 0
        ? model
        : { ...model, bought: model.bought.map((one) => (one === first ? { ...one, offer: 'twin' } : one)) };
    const machines = planCase.machines ?? 1;
    const kept = planCase.installed.flatMap(({ slot }, nr) => ((plan?.kept.includes(slot) ?? stays[nr]) ? [nr] : []));
    const bought = planCase.offers.flatMap(({ id }, nr): [number, number][] => {
      const count = plan === null ? packs[nr] : plan.bought.find((one) => one.offer === id)?.count;
      return count ? [[nr, count]] : [];
    });
    const choice = {
      kept: kept.map((nr) => planCase.installed[nr]?.slot ?? ''),
      bought: bought.map(([nr, count]) => ({ offer: planCase.offers[nr]?.id ?? '', count })),
    };
    const { plans, baseline, refusedOffers } = answer(planCase);
    const got = handMade(planCase, choice, { todayMBs: baseline.bandwidthMBs, plans });
    note(got.ok ? (got.plan.reuse === 'rearrange' ? 'rearranged' : got.standing.is) : got.why);
    const refused = new Map(refusedOffers.map((one) => [one.offer, one.codes]));
    if (got.ok) {
      const want = bruteForceSet(planCase, kept, bought);
      expect(want).toMatchObject({
        placement: got.plan.placement,
        priceCents: got.plan.priceCents,
        totalMiB: got.plan.totalMiB,
        rateMTs: got.plan.rateMTs,
        bandwidthMBs: got.plan.bandwidthMBs,
        care: got.plan.care,
        reasons: got.plan.reasons,
        openSlots: got.plan.openSlots,
      });
      const isShown = bruteForce(planCase).plans.some((plan) => setName(plan as Plan) === setName(got.plan));
      expect(got.standing.is === 'shown').toBe(isShown);
      if (got.standing.is === 'beaten') {
        const { by, cheaperBy } = got.standing;
        expect(plans).toContain(by);
        expect(atLeastAsGood(figures(by), figures(got.plan))).toBe(true);
        // By so much cheaper it is beaten by none, and a minor unit dearer than that it is.
        const at = (cents: number) =>
          plans.some(
            (plan) =>
              (got.plan.lane === 'mixed' || (plan.lane === got.plan.lane && plan.reuse === got.plan.reuse)) &&
              atLeastAsGood(figures(plan), { ...figures(got.plan), priceCents: cents }),
          );
        expect(at(got.plan.priceCents - cheaperBy)).toBe(false);
        expect(at(got.plan.priceCents - cheaperBy + 1)).toBe(true);
      }
      return;
    }
    switch (got.why) {
      case 'refused':
        expect(got.because.map(({ code }) => code)).toEqual(refused.get(got.offer));
        break;
      case 'sold-out':
        expect(choice.bought.find((one) => one.offer === got.offer)?.count).toBeGreaterThan(got.stock);
        break;
      case 'uneven':
        expect(machines % got.atATime).toBe(0);
        expect((choice.bought.find((one) => one.offer === got.offer)?.count ?? 0) % got.atATime).not.toBe(0);
        break;
      case 'set-refused':
        expect(got.codes.length).toBeGreaterThan(0);
        expect(bruteForceSet(planCase, kept, bought)).toBeNull();
        break;
      case 'today':
        // The same modules in other slots would be a plan.
        expect(choice.bought).toEqual([]);
        expect(plans.some((plan) => plan.reuse === 'rearrange')).toBe(false);
        break;
      case 'empty':
        expect([choice.kept, choice.bought]).toEqual([[], []]);
        break;
      default:
        throw new Error(`all of it is in the case: ${got.why}`);
    }
  });
  fc.assert(property, { numRuns: RUNS, seed: SEED });
  const names = [
    'shown',
    'beaten',
    'no-gain',
    'outside',
    'locked',
    'today',
    'refused',
    'sold-out',
    'uneven',
    'rearranged',
  ];
  expect([...names, 'set-refused'].filter((name) => (met.get(name) ?? 0) < 3)).toEqual([]);
}, 180_000);

describe('beside a ladder', () => {
  const planCase: PlanCase = makeCase({
    installed: [{ slot: 'S1', module: { ...stick, maker: 'Vellamo' } }],
    offers: [offer('cheap', 2_000), offer('dear', 2_600, { module: { ...stick, maker: 'Vellamo' } })],
  });
  const { plans, baseline } = answer(planCase);
  const compose = (kept: string[], bought: { offer: string; count: number }[]) =>
    handMade(planCase, { kept, bought }, { todayMBs: baseline.bandwidthMBs, plans });

  it('the same maker as in the machine is a choice that a cheaper plan beats by its price', () => {
    expect(compose(['S1'], [{ offer: 'cheap', count: 1 }])).toMatchObject({ ok: true, standing: { is: 'shown' } });
    expect(compose(['S1'], [{ offer: 'dear', count: 1 }])).toMatchObject({
      ok: true,
      plan: { totalMiB: 16 * GB, priceCents: 2_600 },
      standing: { is: 'beaten', cheaperBy: 601, by: { priceCents: 2_000 } },
    });
  });

  it('a like module for a broken one can be bought, and gives no more than today', () => {
    expect(compose([], [{ offer: 'dear', count: 1 }])).toMatchObject({ ok: true, standing: { is: 'no-gain' } });
  });

  it('more than the slots hold is refused, nothing at all is no plan, and what is gone is said', () => {
    expect(compose(['S1'], [{ offer: 'cheap', count: 4 }])).toEqual({
      ok: false,
      why: 'set-refused',
      codes: ['slots'],
    });
    expect(compose(['S1'], [])).toEqual({ ok: false, why: 'today' });
    expect(compose([], [])).toEqual({ ok: false, why: 'empty' });
    expect(compose(['S9'], [])).toEqual({ ok: false, why: 'changed' });
    expect(compose([], [{ offer: 'gone', count: 1 }])).toEqual({ ok: false, why: 'changed' });
  });
});
