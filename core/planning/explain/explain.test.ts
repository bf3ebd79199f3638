import fc from 'fast-check';
import { MODULE_OF_8_GB } from '../../memory/samples';
import type { PlanCase } from '../model/case';
import { careLevel } from '../rules/care';
import { answer } from '../search/answer';
import { evaluateChoice } from '../search/evaluate-choice';
import { atLeastAsGood } from '../search/frontier';
import type { Plan } from '../search/plan';
import { bruteForce } from '../testing/brute-force';
import { caseArbitrary, equalMachinesArbitrary } from '../testing/case-arbitrary';
import { english } from '../testing/english';
import { brokenWishes, nearestPlans } from './broken-wishes';
import { explainOffer, type OfferExplained } from './explain-offer';
import { explainPlan } from './explain-plan';
import { nearestSentence, offerSentences, planSentences } from './explain-words';
import { remediesFor, withRemedy } from './remedies';
import { setRefusals } from './set-refusals';

const SEED = 20261125;
const RUNS = 400;

const sets = (plan: Plan) => JSON.stringify([plan.kept, plan.bought]);
const figures = (plan: Plan) => ({ ...plan, care: careLevel(plan.care) });

/** A case with another machine in it, goal aside. */
const free = (planCase: PlanCase): PlanCase => ({
  ...planCase,
  goal: { maxOffers: planCase.goal?.maxOffers ?? null },
});

/** What is said of an offer: a sentence, and that it is in plans just where it is. */
function toldOf(planCase: PlanCase, plans: readonly Plan[], id: string): OfferExplained {
  const told = explainOffer(planCase, id);
  if (told === null) throw new Error('the offer is in the case');
  expect(offerSentences(english, planCase, told)[0]).toMatch(/^[A-Z].*[.:]$/);
  const isBought = plans.some(({ bought }) => bought.some((one) => one.offer === id));
  expect(told.kind === 'in-plans').toBe(isBought);
  return told;
}

test('what is said of an offer holds when it is planned again', () => {
  const met = new Map<string, number>();
  fc.assert(
    fc.property(caseArbitrary, (made) => {
      // The same from somebody else, a little dearer.
      const [first] = made.offers;
      const twin = first === undefined ? [] : [{ ...first, id: 'twin', priceCents: first.priceCents + 1 }];
      const planCase = { ...made, offers: [...made.offers, ...twin] };
      const { plans } = answer(planCase);
      const refused = new Map(bruteForce(planCase).refusedOffers.map(({ offer, codes }) => [offer, codes]));
      for (const { id, stock, modules } of planCase.offers) {
        const told = toldOf(planCase, plans, id);
        met.set(told.kind, (met.get(told.kind) ?? 0) + 1);
        const alone = { ...planCase, offers: planCase.offers.filter((one) => one.id === id) };
        if (told.kind === 'refused') expect(told.because.map(({ code }) => code)).toEqual(refused.get(id));
        else expect(refused.has(id)).toBe(false);
        if (told.kind === 'sold-out') expect(stock).toBe(0);
        if (told.kind === 'no-room') {
          expect(modules).toBeGreaterThan(told.free);
          // With as many sockets more it is no longer for want of room.
          const more = Array.from({ length: modules }, (_, nr) => ({ id: `more ${nr}`, channel: 'A', bank: 9 + nr }));
          const wider = { ...alone, machine: { ...alone.machine, slots: [...alone.machine.slots, ...more] } };
          expect(explainOffer(wider, id)?.kind).not.toBe('no-room');
        }
        if (told.kind === 'beaten') {
          expect(plans.map(sets)).toContain(sets(told.by));
          expect(told.own.bought.map(({ offer }) => offer)).toContain(id);
          expect(atLeastAsGood(figures(told.by), figures(told.own))).toBe(true);
          expect(evaluateChoice(planCase, told.own)).toMatchObject({
            ok: true,
            plan: { priceCents: told.own.priceCents },
          });
        }
        if (told.kind === 'outside-goal') {
          expect(told.broken).toEqual(brokenWishes(planCase.goal ?? {}, told.plan));
          expect(told.broken.length).toBeGreaterThan(0);
          expect(evaluateChoice(planCase, told.plan).ok).toBe(true);
        }
        if (['set-refused', 'no-gain', 'no-room'].includes(told.kind))
          expect(answer(free(alone)).plans.filter(({ bought }) => bought.length > 0)).toEqual([]);
      }
    }),
    { numRuns: RUNS, seed: SEED },
  );
  const kinds = [
    'in-plans',
    'refused',
    'sold-out',
    'left-out',
    'no-room',
    'set-refused',
    'no-gain',
    'outside-goal',
    'beaten',
  ];
  expect(kinds.filter((kind) => (met.get(kind) ?? 0) < 5)).toEqual([]);
}, 120_000);

test('what is said of an offer for several equal machines holds when it is planned again', () => {
  const met = new Map<string, number>();
  const property = fc.property(equalMachinesArbitrary, (planCase) => {
    const { plans } = answer(planCase);
    for (const { id, stock } of planCase.offers) {
      const told = toldOf(planCase, plans, id);
      met.set(told.kind, (met.get(told.kind) ?? 0) + 1);
      if (told.kind === 'too-few') {
        expect(stock ?? Number.POSITIVE_INFINITY).toBeLessThan(told.needed);
        // With so many it is not for want of stock, and with one fewer it is.
        const kindWith = (packs: number) => {
          const offers = planCase.offers.map((one) => (one.id === id ? { ...one, stock: packs } : one));
          return explainOffer({ ...planCase, offers }, id)?.kind;
        };
        expect(kindWith(told.needed)).not.toBe('too-few');
        if (told.needed > 1) expect(['too-few', 'sold-out']).toContain(kindWith(told.needed - 1));
      }
      for (const remedy of remediesFor(planCase, id, told)) {
        const helped = answer(withRemedy(planCase, id, remedy)).plans;
        expect(helped.some(({ bought }) => bought.some(({ offer }) => offer === id))).toBe(true);
      }
    }
  });
  fc.assert(property, { numRuns: 60, seed: SEED });
  const kinds = ['in-plans', 'refused', 'too-few', 'no-room'];
  expect(kinds.filter((kind) => (met.get(kind) ?? 0) < 3)).toEqual([]);
}, 120_000);

test('where no plan meets a goal, the nearest ones miss one wish of it, and none misses it less', () => {
  let met = 0;
  fc.assert(
    fc.property(caseArbitrary, (planCase) => {
      const goal = planCase.goal ?? {};
      if (planCase.goal == null || answer(planCase).plans.length > 0) return;
      for (const near of nearestPlans(planCase)) {
        met++;
        expect(brokenWishes(goal, near.plan)).toEqual([{ wish: near.wish, by: near.by }]);
        expect(nearestSentence(english, planCase, near)).toMatch(/: .* for /);
        // Given just so much, it is a plan; a little less, and there is none.
        const given: Partial<Record<string, number>> = {
          minMiB: near.plan.totalMiB,
          maxPriceCents: near.plan.priceCents,
          minOpenSlots: near.plan.openSlots,
          minRateMTs: near.plan.rateMTs,
        };
        const just = given[near.wish];
        if (just === undefined) continue;
        expect(answer({ ...planCase, goal: { ...goal, [near.wish]: just } }).plans.map(sets)).toContain(
          sets(near.plan),
        );
        const step = near.wish === 'maxPriceCents' ? -1 : 1;
        expect(answer({ ...planCase, goal: { ...goal, [near.wish]: just + step } }).plans).toEqual([]);
      }
    }),
    { numRuns: 1500, seed: SEED },
  );
  expect(met).toBeGreaterThan(20);
}, 120_000);

test('what keeps a plan from running faster is as tight as it runs', () => {
  const met = new Map<string, number>();
  fc.assert(
    fc.property(caseArbitrary, (planCase) => {
      for (const plan of answer(planCase).plans) {
        const told = explainPlan(planCase, plan);
        expect(told.rateMTs).toBe(plan.rateMTs);
        expect(told.limits.length).toBeGreaterThan(0);
        expect(planSentences(english.t, planCase, told).every((sentence) => sentence.endsWith('.'))).toBe(true);
        for (const { by } of told.limits) met.set(by, (met.get(by) ?? 0) + 1);
        expect(told.channels.reduce((sum, { mib }) => sum + mib, 0)).toBe(plan.totalMiB);
        // All are equally tight: as the plan runs, or, where the board has no rate in between, a little above.
        const tight = told.limits.reduce((cap, limit) => (limit.by === 'board' ? limit.capMTs : cap), plan.rateMTs);
        for (const limit of told.limits) {
          if (limit.by === 'board') expect(limit.capMTs).toBeGreaterThan(plan.rateMTs);
          else if (limit.by === 'cpu' || limit.by === 'load') expect(limit.maxRateMTs).toBe(tight);
          else expect(limit.rateMTs).toBe(tight);
        }
        const rated = told.ratedFaster.length > 0;
        expect(rated).toBe(plan.notes.includes('runs-below-rating'));
      }
    }),
    { numRuns: RUNS, seed: SEED },
  );
  expect(['cpu', 'load', 'kept', 'soldered', 'bought', 'board'].filter((by) => (met.get(by) ?? 0) < 5)).toEqual([]);
}, 120_000);

describe('why a set is refused', () => {
  const machine: PlanCase['machine'] = {
    generations: ['DDR4'],
    form: 'DIMM',
    kinds: [{ buffering: 'unbuffered', ecc: false }],
    voltagesMv: [1200],
    slots: ['A', 'A', 'B', 'B'].map((channel, nr) => ({ id: `S${nr}`, channel, bank: nr % 2 })),
    pairing: 'none',
    ratesMTs: [2133, 2400],
  };
  const module = { ...MODULE_OF_8_GB, ranks: 2 };
  const refused = (own: Partial<PlanCase['machine']>, count = 1) =>
    setRefusals(
      {
        fenbrik: 'case/1',
        currency: 'EUR',
        installed: [],
        machine: { ...machine, ...own },
        offers: [{ id: 'o', label: 'o', origin: 'used', modules: 1, priceCents: 1, module }],
      },
      [],
      [{ offer: 0, count }],
    );

  it('tells the rules that keep it from being placed, each on its own where one is enough', () => {
    expect(refused({})).toEqual([]);
    expect(refused({}, 5)).toEqual(['slots']);
    expect(refused({ pairing: 'required' })).toEqual(['pairing']);
    expect(refused({ maxRanksPerChannel: 1 })).toEqual(['ranks']);
    expect(refused({ slots: machine.slots.map((slot) => ({ ...slot, maxMiB: 4096 })) })).toEqual(['slot-size']);
    expect(refused({ ceilings: { totalMiB: { official: 4096 } } })).toEqual(['total']);
    expect(refused({ rateByLoad: [{ modulesPerChannel: 1, maxRateMTs: 1066 }] })).toEqual(['rate']);
    const small = machine.slots.map((slot, nr) => ({ ...slot, maxMiB: nr === 0 ? 4096 : null }));
    expect(refused({ slots: small, fillRule: 'required' })).toEqual(['slot-size', 'fill']);
    expect(refused({ pairing: 'required', maxRanksPerChannel: 1 })).toEqual(['ranks', 'pairing']);
    expect(english.t('sets.pairing')).toContain('banks');
  });
});
