import { WORKED_CASES } from '../../../testing/worked-cases';
import type { Goal, PlanCase } from '../model/case';
import { answer } from '../search/answer';
import { english } from '../testing/english';
import { makeCase, offer, stick } from '../testing/small-case';
import { explainOffer } from './explain-offer';
import { type Remedy, remediesFor, withRemedy } from './remedies';
import { type WhyNot, whyNot } from './why-not';
import { remedySentence, whyNotLines } from './why-not-words';

const GB = 1024;
const isIn = (planCase: PlanCase, id: string) =>
  answer(planCase).plans.some(({ bought }) => bought.some((one) => one.offer === id));

function remediesOf(planCase: PlanCase, id: string): Remedy[] {
  const explained = explainOffer(planCase, id);
  return explained === null ? [] : remediesFor(planCase, id, explained);
}

const GOALS: Goal[] = [{}, { minMiB: 16 * GB, maxPriceCents: 8_000 }, { lanes: ['original'], minOpenSlots: 1 }];
/** How often each was said over all jobs. */
const said = new Map<string, number>();

/** The large ones take long for each price that is tried. */
const STORIES = WORKED_CASES.filter(([name]) => !name.startsWith('made-') && name !== 'vet-workstation');

/** The case with each offer from a second seller too, a quarter dearer: most of those are beaten. */
const withDearer = (planCase: PlanCase): PlanCase => ({
  ...planCase,
  offers: [
    ...planCase.offers,
    ...planCase.offers.map((one) => ({
      ...one,
      id: `${one.id}-dearer`,
      priceCents: Math.round(one.priceCents * 1.25),
    })),
  ],
});

test.each(STORIES)(
  '%s: whatever is said to help brings the offer onto the ladder, and a price not one cent more',
  (_, planCase) => {
    for (const goal of GOALS) {
      const wished = { ...withDearer(planCase), goal };
      for (const { id } of wished.offers) {
        const explained = explainOffer(wished, id);
        if (explained === null || explained.kind === 'in-plans') continue;
        for (const remedy of remediesFor(wished, id, explained)) {
          said.set(remedy.what, (said.get(remedy.what) ?? 0) + 1);
          expect(isIn(withRemedy(wished, id, remedy), id)).toBe(true);
          if (remedy.what !== 'price') continue;
          expect(isIn(withRemedy(wished, id, { what: 'price', cents: remedy.cents + 1 }), id)).toBe(false);
        }
      }
    }
  },
);

test('prices and goals were said to help often enough to be tested', () => {
  expect(said.get('price')).toBeGreaterThan(10);
  expect(said.get('goal')).toBeGreaterThan(10);
});

const told = (planCase: PlanCase, asked: WhyNot): string[] => whyNotLines(english, planCase, whyNot(planCase, asked));

describe('what would help', () => {
  const locked = makeCase(
    {
      installed: ['S1', 'S2', 'S3', 'S4'].map((slot) => ({
        slot,
        module: { ...stick, capacityMiB: 4 * GB },
        keep: 'must',
      })),
      offers: [offer('kit', 4000, { modules: 2 })],
    },
    { ceilings: { moduleMiB: { official: 8 * GB } } },
  );

  it('is a module that may go, where there is no room', () => {
    const remedies = remediesOf(locked, 'kit');
    expect(remedies).toEqual([{ what: 'unlock', slots: ['S1', 'S2', 'S3', 'S4'] }]);
    expect(remedySentence(english, remedies[0] as Remedy)).toContain('did not have to stay');
  });

  it('is a size that is seen working, where the papers know no such size', () => {
    const large = { ...stick, capacityMiB: 16 * GB };
    const planCase = makeCase({ offers: [offer('large', 1, { module: large })] }, locked.machine);
    const remedies = remediesOf(planCase, 'large');
    expect(remedies).toEqual([{ what: 'prove', mib: 16 * GB }]);
    expect(remedySentence(english, remedies[0] as Remedy)).toContain('16 GB is seen working');
  });

  it('is that it can be had again, or is no longer left out', () => {
    const soldOut = makeCase({ offers: [offer('a', 1, { stock: 0 })] });
    expect(remediesOf(soldOut, 'a')).toEqual([{ what: 'stock', count: 4 }]);
    const leftOut = { ...makeCase({ offers: [offer('a', 1)] }), goal: { without: ['a'] } };
    expect(remediesOf(leftOut, 'a')).toEqual([{ what: 'goal', goal: { without: [] }, wishes: ['without'] }]);
  });

  it('is nothing where another generation would be needed', () => {
    const other = makeCase({ offers: [offer('a', 1, { module: { ...stick, generation: 'DDR5' } })] });
    expect(remediesOf(other, 'a')).toEqual([]);
    expect(told(other, { offer: 'a' })[0]).toContain('does not fit');
    expect(told(other, { offer: 'nobody' })).toEqual([]);
  });
});

describe('a wish', () => {
  const planCase = makeCase({ offers: [offer('a', 2000)] });

  it('is met by plans, the cheapest of which is told', () => {
    expect(told(planCase, { wish: { minMiB: 16 * GB } })[0]).toContain('The cheapest: 16 GB for €40.00');
  });

  it('is missed least by some, where none meets it', () => {
    const [first, ...rest] = told(planCase, { wish: { minMiB: 32 * GB, maxPriceCents: 5000 } });
    expect(first).toContain('No plan meets these wishes');
    expect(rest.join(' ')).toContain('over the budget');
    expect(rest.join(' ')).toContain('less than wanted');
    expect(told(planCase, { wish: { minMiB: 64 * GB, maxPriceCents: 1 } })).toEqual([
      'No plan meets these wishes, nor one that misses only one of them.',
    ]);
  });
});
