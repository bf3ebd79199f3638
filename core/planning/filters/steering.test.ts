import { WORKED_CASES } from '../../../testing/worked-cases';
import type { Goal, Offer } from '../model/case';
import { answer } from '../search/answer';
import { offer } from '../testing/small-case';
import type { OfferFacts } from './offer-filters';
import { goalOf, missedBy, type Steering, UNSTEERED } from './steering';

const facts = new Map<string, OfferFacts>([
  ['a', { seller: 'Tern Supplies', leadDays: 5, rating: 420, isOwn: false }],
  ['b', { seller: 'Halyard Parts', leadDays: 2, rating: null, isOwn: false }],
  ['own', { seller: 'Stock', leadDays: null, rating: null, isOwn: true }],
]);
const made = (id: string, facts: Partial<Offer['module']>, stock: number | null = null): Offer => {
  const plain = offer(id, 1);
  return { ...plain, stock, module: { ...plain.module, ...facts } };
};
const offers = [
  made('a', { maker: 'Corrick', casLatency: 17, heightMm: 31.25 }, 3),
  made('b', { maker: 'CORRICK ', casLatency: 19 }),
  made('own', { maker: 'Vellamo', casLatency: 16, heightMm: 44 }, 1),
  made('c', { maker: null, casLatency: null }),
];
const goal = (steering: Partial<Steering>, inDays: number | null = null): Goal =>
  goalOf({ ...UNSTEERED, ...steering }, offers, (id) => facts.get(id), inDays);

describe('steering', () => {
  it('asks the planner for nothing where nothing is narrowed down, or only what shuts plans out', () => {
    expect(goal({})).toEqual({});
    expect(goal({ needMiB: 8192, budgetCents: 100, freeSlots: 2 })).toEqual({});
  });

  it('names the lanes that are left, the offers of sellers that are not wanted, and the least rate', () => {
    expect(goal({ lanesOut: ['used', 'mixed'] })).toEqual({ lanes: ['none', 'original', 'third-party'] });
    expect(goal({ sellersOut: ['Halyard Parts', 'nobody'] })).toEqual({ without: ['b'] });
    expect(goal({ leastRateMTs: 2400 })).toEqual({ minRateMTs: 2400 });
  });

  it.each<[string, Partial<Steering>, string[]]>([
    ['modules of one maker, however its name is written', { makers: ['corrick'] }, ['own', 'c']],
    ['of either of two', { makers: ['Vellamo', 'Corrick'] }, ['c']],
    ['a CL of at most so much; who tells none is out', { mostCas: 17 }, ['b', 'c']],
    ['a height of at most so much', { mostHeightMm: 32 }, ['b', 'own', 'c']],
    ['so many stars; our own stock needs none', { leastRating: 400 }, ['b', 'c']],
    ['more stars than anything has', { leastRating: 450 }, ['a', 'b', 'c']],
    ['what is known to be in stock', { inStock: true }, ['b', 'c']],
    ['all of it together', { makers: ['Corrick'], mostCas: 18, inStock: true, leastRating: 400 }, ['b', 'own', 'c']],
  ])('leaves out what is not wanted: %s', (_, steering, without) => {
    expect(goal(steering).without ?? []).toEqual(without);
  });

  it('leaves out what comes after the day, where there is a day; what is in the house is always in time', () => {
    expect(goal({ inTime: true }, 2)).toEqual({ without: ['a', 'c'] });
    expect(goal({ inTime: true }, 5)).toEqual({ without: ['c'] });
    expect(goal({ inTime: true }, -3)).toEqual({ without: ['a', 'b', 'c'] });
    expect(goal({ inTime: true }, null)).toEqual({});
  });
});

test.each(WORKED_CASES)(
  '%s: need, budget and free slots leave of all plans what planning with them gives',
  (_, planCase) => {
    const { plans } = answer({ ...planCase, goal: null });
    const middle = plans[plans.length >> 1];
    const wishes: Partial<Steering>[] = [
      { needMiB: middle?.totalMiB ?? 8192 },
      { budgetCents: middle?.priceCents ?? 5000 },
      { freeSlots: 1 },
      { needMiB: 16384, budgetCents: 9000, freeSlots: 1 },
    ];
    for (const wish of wishes) {
      const steering = { ...UNSTEERED, ...wish };
      const { needMiB: minMiB, budgetCents: maxPriceCents, freeSlots: minOpenSlots } = steering;
      const planned = answer({ ...planCase, goal: { minMiB, maxPriceCents, minOpenSlots } }).plans;
      const left = plans.filter((plan) => missedBy(steering, plan) === null);
      // The saving is measured against an original that may itself be shut out: it is not compared.
      const figures = (list: typeof plans) => list.map(({ savingCents: __, ...rest }) => rest);
      expect(figures(left)).toEqual(figures(planned));
    }
  },
);

test('what a plan misses is told by how much', () => {
  const [plan] = answer(WORKED_CASES[0]?.[1] as never).plans;
  if (plan === undefined) throw new Error('no plan');
  const missed = (wish: Partial<Steering>) => missedBy({ ...UNSTEERED, ...wish }, plan);
  expect(missed({})).toBeNull();
  expect(missed({ needMiB: plan.totalMiB + 1 })).toEqual({ what: 'need', mib: 1 });
  expect(missed({ budgetCents: plan.priceCents - 5 })).toEqual({ what: 'budget', cents: 5 });
  expect(missed({ freeSlots: plan.openSlots + 2 })).toEqual({ what: 'free', slots: 2 });
  expect(missed({ budgetCents: plan.priceCents, needMiB: plan.totalMiB, freeSlots: plan.openSlots })).toBeNull();
  expect(missedBy({ ...UNSTEERED, lateBy: () => 2 }, plan)).toEqual({ what: 'late', days: 2 });
  expect(missedBy({ ...UNSTEERED, lateBy: () => 0 }, plan)).toBeNull();
  // What is dear is said before what is late.
  const both = { ...UNSTEERED, budgetCents: plan.priceCents - 5, lateBy: () => 2 };
  expect(missedBy(both, plan)).toMatchObject({ what: 'budget' });
});
