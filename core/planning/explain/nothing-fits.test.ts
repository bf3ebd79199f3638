import { WORKED_CASES } from '../../../testing/worked-cases';
import type { PlanCase } from '../model/case';
import { english } from '../testing/english';
import { whyNothingFits } from './nothing-fits';
import { whyNot } from './why-not';
import { nothingLines, takenText } from './why-not-words';

const nothingFits = (planCase: PlanCase): string[] => {
  const nothing = whyNothingFits(planCase);
  return nothing === null ? [] : nothingLines(english, planCase, nothing);
};

const kiosk = new Map(WORKED_CASES).get('library-kiosk');
if (kiosk === undefined) throw new Error('the case is gone');
const planCase: PlanCase = kiosk;
const [offer] = planCase.offers;
if (offer === undefined) throw new Error('the case has no offer');

const machine = (patch: Partial<PlanCase['machine']>): PlanCase => ({
  ...planCase,
  machine: { ...planCase.machine, ...patch },
});

describe('a machine that has no plan', () => {
  it('is none where there are plans, whatever is wished for', () => {
    expect(nothingFits(planCase)).toEqual([]);
    expect(nothingFits({ ...planCase, goal: { minMiB: 1 << 30 } })).toEqual([]);
  });

  it('says what it takes where no offer goes in, and counts each offer once', () => {
    const other = machine({
      generations: ['DDR5'],
      voltagesMv: [1100],
      kinds: [{ buffering: 'registered', ecc: true }],
    });
    const [first, takes, ...reasons] = nothingFits(other);
    expect(first).toBe('No offer goes into this machine.');
    expect(takes).toBe(`It takes DDR5 ${planCase.machine.form}, registered ECC.`);
    const counted = reasons.map((line) => Number.parseInt(line, 10));
    expect(counted.reduce((sum, count) => sum + count, 0)).toBe(planCase.offers.length);
    expect(counted).toEqual([...counted].sort((a, b) => b - a));
    expect(reasons[0]).toMatch(/another generation\.$/);
  });

  it('says that nothing is on offer where nothing is', () => {
    expect(nothingFits({ ...planCase, offers: [] })[0]).toBe('Nothing like it is on offer.');
  });

  it('names the cheapest that goes in where none of them gains anything', () => {
    const dear = { ...offer, id: 'dear', label: 'Dear one', priceCents: offer.priceCents + 100, stock: 0 };
    const sold = { ...planCase, offers: [dear, { ...offer, stock: 0 }] };
    const lines = nothingFits(sold);
    expect(lines[0]).toBe('Nothing on offer gives this machine more than it has today.');
    expect(lines[1]).toBe(`The cheapest that goes in is ${offer.label}. It is sold out.`);
  });

  it('is what the question for a wish is answered with', () => {
    const other = machine({ generations: ['DDR5'], voltagesMv: [1100] });
    expect(whyNot(other, { wish: { minMiB: 4096 } })).toEqual({ is: 'nothing', nothing: whyNothingFits(other) });
  });
});

test('what a machine takes, as a label says it', () => {
  const of = (patch: Partial<PlanCase['machine']>) =>
    takenText(english.t, { ...planCase.machine, form: 'SO-DIMM', ...patch });
  const plain = { buffering: 'unbuffered', ecc: false } as const;
  expect(of({ generations: ['DDR3'], voltagesMv: [1350, 1500], kinds: [plain] })).toBe(
    'DDR3L SO-DIMM, unbuffered without ECC',
  );
  expect(of({ generations: ['DDR4', 'DDR5'], voltagesMv: [1200], kinds: [plain, { ...plain, ecc: true }] })).toBe(
    'DDR4 or DDR5 SO-DIMM, unbuffered without ECC or ECC',
  );
});
