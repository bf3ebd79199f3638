import fc from 'fast-check';
import { containedTax } from './contained-tax';
import { moneyText } from './money-text';
import { parseMoney } from './parse-money';
import { roundHalfEven } from './round-half-even';
import { savingPercent } from './saving';
import { sellPrice } from './sell-price';

describe('rounding half to even', () => {
  test.each([
    [5, 1, 2, 2],
    [7, 1, 2, 4],
    [-5, 1, 2, -2],
    [-7, 1, 2, -4],
    [10, 1, 3, 3],
    [11, 1, 3, 4],
    [-11, 1, 3, -4],
    [3, 1, -2, -2],
  ])('%i x %i / %i is %i', (amount, numerator, denominator, rounded) => {
    expect(roundHalfEven(amount, numerator, denominator)).toBe(rounded);
  });

  it('is never further off than a half', () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 1, max: 20_000 }),
        (amount, numerator, denominator) => {
          const exact = BigInt(amount) * BigInt(numerator);
          const off = exact - BigInt(roundHalfEven(amount, numerator, denominator)) * BigInt(denominator);
          expect(off < 0n ? -off * 2n : off * 2n).toBeLessThanOrEqual(BigInt(denominator));
        },
      ),
    );
  });

  it('refuses a denominator of 0 and figures that are no integers', () => {
    expect(() => roundHalfEven(1, 1, 0)).toThrow(RangeError);
    expect(() => roundHalfEven(1.5, 1, 2)).toThrow(RangeError);
  });
});

describe('tax that a price holds', () => {
  test.each([
    [12000, 2000, 2000],
    [5300, 2000, 883],
    [10300, 2000, 1717],
    [9900, 0, 0],
    [0, 2000, 0],
    [-1200, 2000, -200],
  ])('%i at %i bp holds %i', (gross, bp, tax) => {
    expect(containedTax(gross, bp)).toBe(tax);
  });
});

describe('the sell price', () => {
  const markUp = { markUpBp: 1800, leastMarginCents: 400, roundUpToCents: 50 };

  it('adds the mark-up, the tax, and rounds up to what the shop likes', () => {
    // 50.00 + 18 % = 59.00, + 20 % = 70.80, up to 71.00
    expect(sellPrice(5000, markUp, 2000)).toBe(7100);
  });

  it('never earns less than the least margin', () => {
    // 5.00 + 18 % would be 5.90; with the least margin 9.00, + 20 % = 10.80, up to 11.00
    expect(sellPrice(500, markUp, 2000)).toBe(1100);
  });

  it('leaves the shop its margin after tax, whatever the cost', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1_000_000 }), (cost) => {
        const price = sellPrice(cost, markUp, 2000);
        expect(price % 50).toBe(0);
        expect(price - containedTax(price, 2000) - cost).toBeGreaterThanOrEqual(399);
      }),
    );
  });
});

describe('a saving in percent', () => {
  it('is of what the original costs, and never overstated', () => {
    expect(savingPercent(5000, 5300)).toBe(48);
    expect(savingPercent(1, 9999)).toBe(0);
  });

  it('is none where nothing is saved', () => {
    expect(savingPercent(0, 100)).toBeNull();
    expect(savingPercent(-5, 100)).toBeNull();
    expect(savingPercent(5, -10)).toBeNull();
  });
});

describe('money as people type and read it', () => {
  test.each([
    ['49', 4900],
    ['49.5', 4950],
    ['49,50', 4950],
    ['1 249.00', 124900],
    ['€ 12', 1200],
    ['12 EUR', 1200],
    ['0', 0],
    ['-3', -300],
  ])('"%s" is %i', (typed, cents) => {
    expect(parseMoney(typed, 2)).toBe(cents);
  });

  test.each(['', 'free', '1.234', '1.2.3', '--5', '12.345', 'NaN'])('"%s" is none', (typed) => {
    expect(parseMoney(typed, 2)).toBeNull();
  });

  it('knows currencies without decimals', () => {
    expect(parseMoney('1200', 0)).toBe(1200);
    expect(parseMoney('12.5', 0)).toBeNull();
    expect(moneyText(1200, 'JPY')).toBe('¥1,200');
  });

  it('prints with the currency’s own decimals', () => {
    expect(moneyText(123456, 'EUR')).toBe('€1,234.56');
    expect(moneyText(-700, 'EUR')).toBe('-€7.00');
    expect(moneyText(123456, 'EUR', 'de')).toBe('1.234,56\u00a0€');
  });
});

test('a dearer part is never sold cheaper, whatever the steps', () => {
  const rule = {
    markUpBp: 3000,
    markUpSteps: [
      { fromCents: 5000, markUpBp: 1000 },
      { fromCents: 5100, markUpBp: 2500 },
      { fromCents: 20_000, markUpBp: 0 },
    ],
    leastMarginCents: 400,
    roundUpToCents: 1,
  };
  const costs = Array.from({ length: 40_000 }, (_, cost) => cost);
  const prices = costs.map((cost) => sellPrice(cost, rule, 2000));
  expect(costs.filter((cost) => cost > 0 && (prices[cost] ?? 0) < (prices[cost - 1] ?? 0))).toEqual([]);
  // Just above the step it costs what it does just below: 49.99 and 30 %.
  expect(sellPrice(5000, rule, 0)).toBe(sellPrice(4999, rule, 0));
});
