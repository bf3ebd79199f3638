import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { countedPrice, type ExchangeRate, type PrintedPrice, shippingCents } from './counted-price';
import { sellPrice } from './sell-price';
import { couponSchema, type SellerTerms, sellerTermsSchema } from './seller-terms';

const DOC = readFileSync(join(__dirname, '..', '..', 'docs', 'prices.md'), 'utf8');
const cents = (text: string): number => Math.round(Number(text.replace('−', '-')) * 100);

const terms: SellerTerms = {
  currency: 'EUR',
  withTax: false,
  taxBp: 2000,
  taxBack: true,
  shipping: { kind: 'none' },
};
const printed: PrintedPrice = { cents: 10_000, coupon: null, modules: 1, units: 1 };
const shop = { currency: 'EUR', day: '2026-11-25', rates: [] as ExchangeRate[] };
const steps = (price = printed, more: Partial<SellerTerms> = {}) => {
  const counted = countedPrice(price, { ...terms, ...more }, shop);
  return counted.ok ? counted.steps.map((step) => [step.what, step.cents]) : counted.sentence;
};

test('the worked example of the document comes out as it says', () => {
  const input = JSON.parse(/```json\n([\s\S]*?)```/.exec(DOC)?.[1] ?? '');
  const rows = [...DOC.matchAll(/^\| ([a-z-]+|\*\*[a-z ]+\*\*) +\| +([−\d.]+) \|/gm)].map(
    ([, what = '', amount = '']) => [what.replaceAll('*', ''), cents(amount)],
  );
  expect(sellerTermsSchema.parse(input.terms)).toEqual(input.terms);
  expect(couponSchema.parse(input.printed.coupon)).toEqual(input.printed.coupon);
  const counted = countedPrice(input.printed, input.terms, input.shop);
  if (!counted.ok) throw new Error(counted.sentence);
  expect(rows).toEqual([
    ...counted.steps.map((step) => [step.what, step.cents]),
    ['cost', counted.costCents],
    ['sell price', sellPrice(counted.costCents, input.markUp, input.taxBp)],
  ]);
  expect(counted.rate).toMatchObject({ micro: 880_000, on: '2026-11-20' });
});

describe('the price that counts', () => {
  it('is the printed one where the seller’s terms add nothing', () => {
    expect(steps()).toEqual([['printed', 10_000]]);
  });

  it('loses tax that is in it and comes back, gains tax that is not and does not', () => {
    expect(steps(printed, { withTax: true })).toEqual([
      ['printed', 10_000],
      ['tax-off', -1667],
    ]);
    expect(steps(printed, { taxBack: false })).toEqual([
      ['printed', 10_000],
      ['tax-on', 2000],
    ]);
    expect(steps(printed, { withTax: true, taxBack: false })).toEqual([['printed', 10_000]]);
  });

  it('loses a coupon until its last day, and never more than the price', () => {
    const coupon = { name: 'c', percentBp: null, cents: 1500, endsOn: '2026-11-25' };
    expect(steps({ ...printed, coupon })).toContainEqual(['coupon', -1500]);
    expect(steps({ ...printed, coupon: { ...coupon, endsOn: '2026-11-24' } })).toEqual([['printed', 10_000]]);
    expect(steps({ ...printed, coupon: { ...coupon, cents: 99_999 } })).toContainEqual(['coupon', -10_000]);
    expect(couponSchema.safeParse({ ...coupon, percentBp: 500 }).success).toBe(false);
    expect(couponSchema.safeParse({ ...coupon, cents: null }).success).toBe(false);
  });

  it('loses the seller’s promotion after the coupon, before the shipping', () => {
    const coupon = { name: 'c', percentBp: null, cents: 2000, endsOn: null };
    const promotion = { name: 'p', percentBp: 1000, cents: null, endsOn: '2026-11-25' };
    const shipping = { kind: 'flat', cents: 500, freeFromCents: 7500 } as const;
    expect(steps({ ...printed, coupon }, { promotion, shipping })).toEqual([
      ['printed', 10_000],
      ['coupon', -2000],
      ['promotion', -800],
      ['shipping', 500],
    ]);
    expect(steps(printed, { promotion: { ...promotion, endsOn: '2026-11-24' } })).toEqual([['printed', 10_000]]);
  });

  it('bears its share of the shipping: free above a sum, or by weight', () => {
    const flat = { kind: 'flat', cents: 1000, freeFromCents: 25_000 } as const;
    expect(steps({ ...printed, units: 2 }, { shipping: flat })).toContainEqual(['shipping', 500]);
    expect(steps({ ...printed, units: 3 }, { shipping: flat })).toEqual([['printed', 10_000]]);
    const weight = {
      kind: 'weight',
      steps: [
        { upToGrams: 500, cents: 900 },
        { upToGrams: 100, cents: 400 },
      ],
    } as const;
    expect(
      [60, 100, 101, 5000].map((grams) => shippingCents({ ...weight, steps: [...weight.steps] }, 0, grams)),
    ).toEqual([400, 400, 900, 900]);
  });

  it('is none without a rate up to the day', () => {
    const foreign = { ...terms, currency: 'SKR' };
    const late = { from: 'SKR', to: 'EUR', micro: 900_000, on: '2026-11-26' };
    expect(countedPrice(printed, foreign, { ...shop, rates: [late] })).toEqual({
      ok: false,
      sentence: 'There is no rate from SKR to EUR up to this day.',
    });
  });

  it('never lets the shares of shipping fall short of the whole', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 5000 }), (units, flatCents) => {
        const shipping = { kind: 'flat', cents: flatCents, freeFromCents: null } as const;
        const counted = countedPrice({ ...printed, units }, { ...terms, shipping }, shop);
        const share = counted.ok ? counted.costCents - printed.cents : 0;
        expect(share * units).toBeGreaterThanOrEqual(flatCents);
        expect(share * units - flatCents).toBeLessThan(units);
      }),
    );
  });
});

describe('the sell price by a shop’s rule', () => {
  const rule = { markUpBp: 2000, leastMarginCents: 300, roundUpToCents: 1 };

  it('has the mark-up of the step that the cost has reached', () => {
    const markUpSteps = [
      { fromCents: 10_000, markUpBp: 1000 },
      { fromCents: 5000, markUpBp: 1500 },
    ];
    // Just above a step what is just below it still counts: a dearer part is never the cheaper one.
    expect(
      [4999, 5000, 5500, 9999, 10_000, 12_000].map((cost) => sellPrice(cost, { ...rule, markUpSteps }, 0)),
    ).toEqual([5999, 5999, 6325, 11_499, 11_499, 13_200]);
  });

  it('ends in one of the figures that the shop likes, never below what it must be', () => {
    const priceEndings = [90, 50, 0];
    expect(
      [1000, 1001, 1050, 1051, 1091].map((cents) =>
        sellPrice(cents, { ...rule, markUpBp: 0, leastMarginCents: 0, priceEndings }, 0),
      ),
    ).toEqual([1000, 1050, 1050, 1090, 1100]);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500_000 }), (cost) => {
        const price = sellPrice(cost, { ...rule, priceEndings }, 2000);
        expect(priceEndings).toContain(price % 100);
        expect(price).toBeGreaterThanOrEqual(sellPrice(cost, rule, 2000));
        expect(price - sellPrice(cost, rule, 2000)).toBeLessThan(50);
      }),
    );
  });
});

test('a rate is between units, whatever their minor units are', () => {
  const rates = (from: string, to: string, micro: number): ExchangeRate[] => [{ from, to, on: '2026-11-01', micro }];
  const cost = (price: number, from: string, to: string, micro: number) => {
    const own = { currency: to, day: '2026-11-25', rates: rates(from, to, micro) };
    const counted = countedPrice({ ...printed, cents: price }, { ...terms, currency: from }, own);
    return counted.ok ? counted.costCents : counted.sentence;
  };
  // 12,500 yen at 0.0062 are 77.50 euro; 77.50 euro at 161.29 are 12,500 yen; 10.000 dinars at 2.45 are 24.50 euro.
  expect(cost(12_500, 'JPY', 'EUR', 6_200)).toBe(7_750);
  expect(cost(7_750, 'EUR', 'JPY', 161_290_323)).toBe(12_500);
  expect(cost(10_000, 'BHD', 'EUR', 2_450_000)).toBe(2_450);
});
