import { equal, ok } from 'node:assert/strict';
import fc from 'fast-check';
import { type BillLine, billOf, spreadOverRates, TAX_ROUNDINGS, TAX_WAYS } from './bill';
import { containedTax } from './contained-tax';
import { currencyDecimals, plainMoney } from './currency';
import { labourFor, openingMinutes } from './labour';
import { parseMoney } from './parse-money';
import { askedPrice, offerPrice, type PricingRule, ruleForLines } from './pricing-rule';
import { roundHalfEven } from './round-half-even';
import { shares } from './shares';

const RATES = [0, 550, 700, 1000, 1900, 2000, 2550];
const line = fc.record({ minor: fc.integer({ min: -50_000, max: 500_000 }), taxBp: fc.constantFrom(...RATES) });
const lines = fc.array(line, { minLength: 1, maxLength: 12 });
const way = fc.constantFrom(...TAX_WAYS);
const rounding = fc.constantFrom(...TAX_ROUNDINGS);
const sum = (all: readonly number[]): number => all.reduce((total, one) => total + one, 0);

describe('a bill', () => {
  it('loses no cent: net and tax are the total, rates and lines add up to the whole, whatever the law', () => {
    expect(
      fc.check(
        fc.property(lines, way, rounding, (all, taxWay, taxRounding) => {
          const bill = billOf(all, { taxWay, taxRounding });
          const asked = sum(all.map(({ minor }) => minor));
          equal(taxWay === 'contained' ? bill.grossMinor : bill.netMinor, asked);
          equal(bill.netMinor + bill.taxMinor, bill.grossMinor);
          equal(sum(bill.rates.map(({ netMinor }) => netMinor)), bill.netMinor);
          equal(sum(bill.rates.map(({ taxMinor }) => taxMinor)), bill.taxMinor);
          equal(sum(bill.lineTaxMinor), bill.taxMinor);
          for (const rate of bill.rates) {
            equal(rate.netMinor + rate.taxMinor, rate.grossMinor);
            const ofRate = bill.lineTaxMinor.filter((_, place) => all[place]?.taxBp === rate.taxBp);
            equal(sum(ofRate), rate.taxMinor);
          }
        }),
        { numRuns: 10_000 },
      ),
    ).toMatchObject({ failed: false });
  });

  it('rounds once for a rate, or for each line, and is never further off than half a unit for each rounding', () => {
    expect(
      fc.check(
        fc.property(lines, way, rounding, (all, taxWay, taxRounding) => {
          const exact = sum(
            all.map(({ minor, taxBp }) => (minor * taxBp) / (taxWay === 'contained' ? 10_000 + taxBp : 10_000)),
          );
          const { taxMinor, rates } = billOf(all, { taxWay, taxRounding });
          const roundings = taxRounding === 'line' ? all.length : rates.length;
          ok(Math.abs(taxMinor - exact) <= roundings / 2 + 1e-6);
        }),
        { numRuns: 2_000 },
      ),
    ).toMatchObject({ failed: false });
  });

  it('is as a tax office works it out: three lines of 0.99 at 20 %', () => {
    const three = [0, 1, 2].map((): BillLine => ({ minor: 99, taxBp: 2000 }));
    expect(billOf(three, { taxWay: 'contained', taxRounding: 'line' }).taxMinor).toBe(48);
    expect(billOf(three, { taxWay: 'contained', taxRounding: 'total' }).taxMinor).toBe(50);
    expect(billOf(three, { taxWay: 'added', taxRounding: 'line' })).toMatchObject({ netMinor: 297, taxMinor: 60 });
    expect(billOf(three, { taxWay: 'added', taxRounding: 'total' })).toMatchObject({ netMinor: 297, taxMinor: 59 });
  });

  it('puts the highest rate first and names each once', () => {
    const { rates } = billOf(
      [
        { minor: 1000, taxBp: 700 },
        { minor: 2000, taxBp: 1900 },
        { minor: 500, taxBp: 700 },
      ],
      { taxWay: 'added', taxRounding: 'total' },
    );
    expect(rates).toEqual([
      { taxBp: 1900, netMinor: 2000, taxMinor: 380, grossMinor: 2380 },
      { taxBp: 700, netMinor: 1500, taxMinor: 105, grossMinor: 1605 },
    ]);
  });
});

describe('shares', () => {
  it('add up to the amount and are within one of their exact part', () => {
    const weights = fc.array(fc.integer({ min: 0, max: 1_000_000 }), { minLength: 1, maxLength: 12 });
    expect(
      fc.check(
        fc.property(fc.integer({ min: -1_000_000, max: 1_000_000 }), weights, (amount, all) => {
          const parts = shares(amount, all);
          equal(sum(parts), amount);
          const whole = sum(all);
          if (whole === 0) return;
          parts.forEach((part, place) => {
            ok(Math.abs(part - (amount * (all[place] ?? 0)) / whole) < 1);
          });
        }),
        { numRuns: 5_000 },
      ),
    ).toMatchObject({ failed: false });
  });

  it('give what is left to those that lost most, of equal ones to the earlier', () => {
    expect(shares(100, [1, 1, 1])).toEqual([34, 33, 33]);
    expect(shares(-100, [1, 1, 1])).toEqual([-33, -33, -34]);
    expect(shares(10, [1, 2, 4])).toEqual([1, 3, 6]);
    expect(shares(7, [0, 0])).toEqual([7, 0]);
    expect(shares(0, [3, -3])).toEqual([0, 0]);
    expect(shares(5, [3, -1])).toEqual([8, -3]);
  });

  it('of a discount fall on the rates by what is charged at each', () => {
    const charged = [
      { minor: 9000, taxBp: 2000 },
      { minor: 3000, taxBp: 1000 },
      { minor: 0, taxBp: 500 },
    ];
    expect(spreadOverRates(-1000, charged)).toEqual([
      { taxBp: 2000, minor: -750 },
      { taxBp: 1000, minor: -250 },
    ]);
    expect(spreadOverRates(-1000, [])).toEqual([{ taxBp: 0, minor: -1000 }]);
  });
});

describe('work', () => {
  const rule = { flatCents: 2900, hourCents: 6000, leastCents: 2500, stepMinutes: 15 };

  it('goes by the minutes where they are known, in steps, and never below the least', () => {
    expect(labourFor(rule, 50)).toEqual({ cents: 6000, by: 'time', minutes: 60 });
    expect(labourFor(rule, 60)).toEqual({ cents: 6000, by: 'time', minutes: 60 });
    expect(labourFor(rule, 60.5)).toEqual({ cents: 7500, by: 'time', minutes: 75 });
    expect(labourFor(rule, 10)).toEqual({ cents: 2500, by: 'least', minutes: 15 });
    expect(labourFor({ ...rule, hourCents: 4999, stepMinutes: 1, leastCents: 0 }, 7).cents).toBe(
      roundHalfEven(4999, 7, 60),
    );
  });

  it('is flat where nobody knows them, or the shop has no rate by the hour', () => {
    expect(labourFor(rule, null)).toEqual({ cents: 2900, by: 'flat', minutes: null });
    expect(labourFor({ ...rule, hourCents: null }, 200)).toEqual({ cents: 2900, by: 'flat', minutes: null });
    expect(openingMinutes([])).toBeNull();
    expect(openingMinutes([{ minutes: 3 }, { minutes: null }])).toBeNull();
    expect(openingMinutes([{ minutes: 3 }, { minutes: 4.5 }])).toBe(7.5);
  });
});

describe('what a customer is asked', () => {
  const markUp = { markUpBp: 2000, leastMarginCents: 0, roundUpToCents: 50 };
  const rule = (more: Partial<PricingRule> = {}): PricingRule => ({
    taxWay: 'contained',
    taxRounding: 'total',
    exempt: null,
    rates: { part: 2000, labour: 1000, fee: 0, credit: 2000 },
    ...more,
  });

  it('holds the tax or not, as the shop’s prices do', () => {
    expect(offerPrice(1000, markUp, rule())).toBe(1450);
    expect(offerPrice(1000, markUp, rule({ taxWay: 'added' }))).toBe(1200);
  });

  it('is without the tax for anyone who pays none, and none is added', () => {
    const exempt = rule({ exempt: 'public body' });
    expect(offerPrice(1000, markUp, exempt)).toBe(1450 - containedTax(1450, 2000));
    expect(askedPrice(1100, 'labour', exempt)).toBe(1000);
    expect(askedPrice(1100, 'labour', rule({ exempt: 'abroad', taxWay: 'added' }))).toBe(1100);
    const { rates, taxWay } = ruleForLines(exempt);
    expect([taxWay, Object.values(rates)]).toEqual(['added', [0, 0, 0, 0]]);
  });
});

describe('currencies', () => {
  it('have the decimals of ISO 4217', () => {
    expect(['EUR', 'JPY', 'BHD', 'CLF'].map(currencyDecimals)).toEqual([2, 0, 3, 4]);
    expect(() => currencyDecimals('E')).toThrow(RangeError);
  });

  it('are written so that what is read back is the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -10_000_000, max: 10_000_000 }),
        fc.constantFrom('EUR', 'JPY', 'BHD'),
        (minor, of) => {
          expect(parseMoney(plainMoney(minor, of), currencyDecimals(of))).toBe(minor === 0 ? 0 : minor);
        },
      ),
    );
    expect([plainMoney(5, 'EUR'), plainMoney(-5, 'BHD'), plainMoney(1200, 'JPY')]).toEqual(['0.05', '-0.005', '1200']);
  });
});
