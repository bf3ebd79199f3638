import { isBelowLowest } from './lowest-margin';
import type { QuoteOption } from './snapshot';

const RULE = { lowestBp: 1000, taxContained: true, taxBp: 2000 };

const option = (
  lines: { kind: 'part' | 'labour' | 'discount' | 'credit'; totalCents: number; taxBp?: number | null }[],
  costCents: number,
  marginCents = 1,
): Pick<QuoteOption, 'lines' | 'shop'> => ({
  lines: lines.map((line) => ({
    text: '',
    origin: null,
    quantity: 1,
    eachCents: line.totalCents,
    taxBp: 2000,
    ...line,
  })),
  shop: { kept: [], bought: [], placement: {}, reasons: [], costCents, marginCents },
});

test.each([
  // 132.00 with 20 % tax are 110.00 without: cost 100.00 and 10 %
  [[{ kind: 'part' as const, totalCents: 13_200 }], 10_000, false],
  [[{ kind: 'part' as const, totalCents: 13_199 }], 10_000, true],
  // a part for next to nothing is not made good by the work on it
  [
    [
      { kind: 'part' as const, totalCents: 1 },
      { kind: 'labour' as const, totalCents: 90_000 },
    ],
    6_355,
    true,
  ],
  // a discount falls on the parts
  [
    [
      { kind: 'part' as const, totalCents: 13_200 },
      { kind: 'discount' as const, totalCents: -100, taxBp: null },
    ],
    10_000,
    true,
  ],
  // and on the work beside them
  [
    [
      { kind: 'part' as const, totalCents: 13_260 },
      { kind: 'labour' as const, totalCents: 13_260 },
      { kind: 'discount' as const, totalCents: -120, taxBp: null },
    ],
    10_000,
    false,
  ],
  // nothing bought, nothing to lose
  [[{ kind: 'labour' as const, totalCents: 2_900 }], 0, false],
])('%j that cost %i: below is %s', (lines, cost, below) => {
  expect(isBelowLowest(option(lines, cost), RULE)).toBe(below);
});

it('is below where the whole loses money, as by a credit that is too large', () => {
  expect(isBelowLowest(option([{ kind: 'part', totalCents: 50_000 }], 100, -1), RULE)).toBe(true);
});

it('takes lines without tax as they are', () => {
  const lines = [{ kind: 'part' as const, totalCents: 11_000 }];
  expect(isBelowLowest(option(lines, 10_000), { ...RULE, taxContained: false })).toBe(false);
  expect(isBelowLowest(option(lines, 10_001), { ...RULE, taxContained: false })).toBe(true);
});
