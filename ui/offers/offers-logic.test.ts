import { staffWords } from '@/words/staff-words';
import { countText, listOutcomeText, movedText, typedFix } from './lists/list-words';
import {
  couponText,
  parseCoupon,
  parseRating,
  parseShipping,
  ratingTyped,
  shippingText,
  termsText,
} from './sellers/terms-words';

const t = staffWords('en', 'offers');

test.each([
  ['none', { kind: 'none' }],
  ['4.90', { kind: 'flat', cents: 490, freeFromCents: null }],
  ['4.90, free from 50.00', { kind: 'flat', cents: 490, freeFromCents: 5000 }],
  [
    '500 g 4.90; 2000 g 8.90',
    {
      kind: 'weight',
      steps: [
        { upToGrams: 500, cents: 490 },
        { upToGrams: 2000, cents: 890 },
      ],
    },
  ],
] as const)('shipping "%s" is read and written back', (text, shipping) => {
  expect(parseShipping(text, 'EUR')).toEqual(shipping);
  expect(shippingText(t, JSON.parse(JSON.stringify(shipping)), 'EUR')).toBe(text);
});

test.each(['dear', '4.90, free from later', '500 g', '-3', '4.9.0'])('shipping "%s" is none', (text) => {
  expect(parseShipping(text, 'EUR')).toBeNull();
});

test.each([
  ['10 % until 2026-11-30', { name: '', percentBp: 1000, cents: null, endsOn: '2026-11-30' }],
  ['12.5 %', { name: '', percentBp: 1250, cents: null, endsOn: null }],
  ['5.00', { name: '', percentBp: null, cents: 500, endsOn: null }],
] as const)('coupon "%s" is read and written back', (text, coupon) => {
  expect(parseCoupon(text, 'EUR')).toEqual(coupon);
  expect(couponText(t, { ...coupon }, 'EUR')).toBe(text);
});

test('a coupon may be none, and what is no coupon is told from none', () => {
  expect(parseCoupon('  ', 'EUR')).toBeNull();
  expect(parseCoupon('10%', 'EUR')).toMatchObject({ percentBp: 1000 });
  for (const text of ['some', '0 %', '200 %', '5 until tomorrow', '-3'])
    expect(parseCoupon(text, 'EUR')).toBeUndefined();
});

test('a rating is stars and how many gave them', () => {
  expect(parseRating('4.6 of 120')).toEqual({ rating: 460, ratingCount: 120 });
  expect(parseRating('4,65 stars / 3')).toEqual({ rating: 465, ratingCount: 3 });
  expect(parseRating(ratingTyped(390, 2140))).toEqual({ rating: 390, ratingCount: 2140 });
  expect([parseRating(' '), ratingTyped(null, null)]).toEqual([null, '']);
  for (const text of ['good', '4.6', '6 of 10', '0.5 of 10', '4 of 0']) expect(parseRating(text)).toBeUndefined();
});

test('terms are one line', () => {
  const terms = { currency: 'SKR', withTax: true, taxBp: 2500, taxBack: true, shipping: { kind: 'none' as const } };
  expect(termsText(t, null, 'EUR')).toBe('prices are our cost, in EUR without tax');
  expect(termsText(t, terms, 'EUR')).toBe('prices in SKR with 25 % tax that is refunded · no shipping');
  const promotion = { name: '', percentBp: 500, cents: null, endsOn: '2026-11-30' };
  expect(termsText(t, { ...terms, promotion }, 'EUR')).toContain(' · promotion 5 % until 2026-11-30');
  expect(termsText(t, { ...terms, withTax: false, taxBack: false }, 'EUR')).toContain(
    'without the 25 % tax that is added',
  );
});

describe('a price list that is looked at', () => {
  it('says by how much, and how many', () => {
    expect([countText(7), countText(999), countText(1204000)]).toEqual(['7', '999', '1\u202f204\u202f000']);
    expect(listOutcomeText(t, { added: 2, priced: 1, withdrawn: 0, left: 4 })).toBe(
      '2 new, 1 re-priced, 0 withdrawn, 4 left unchanged.',
    );
    expect([movedText(2000, 2240), movedText(2000, 1000), movedText(2000, 2001)]).toEqual(['+12 %', '−50 %', '±0 %']);
  });

  test.each([
    ['capacityMiB', '8 GB', 8192],
    ['generation', 'ddr3l', 'DDR3'],
    ['form', 'so-dimm', 'SO-DIMM'],
    ['form', 'UDIMM', 'DIMM'],
    ['rateMTs', '3200', 3200],
    ['modules', '2', 2],
    ['printedCents', '24,50', 2450],
  ] as const)('%s "%s" is told as %s', (field, text, value) => {
    expect(typedFix(t, field, text, 'EUR')).toEqual({ ok: true, fix: { [field]: value } });
  });

  test.each([
    ['capacityMiB', 'lots'],
    ['generation', 'DDR9'],
    ['form', 'card'],
    ['rateMTs', 'fast'],
    ['modules', '9'],
    ['printedCents', '0'],
  ] as const)('%s "%s" is told what is wrong', (field, text) => {
    expect(typedFix(t, field, text, 'EUR')).toMatchObject({
      ok: false,
      sentence: expect.stringMatching(/: enter it such as /),
    });
  });
});
