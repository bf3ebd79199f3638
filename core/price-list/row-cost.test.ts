import type { CountingGround } from '../pricing/counted-price';
import { rowCost } from './row-cost';

const terms = { currency: 'EUR', withTax: false, taxBp: 2000, taxBack: true, shipping: { kind: 'none' } } as const;
const ground: CountingGround = { terms, currency: 'EUR', day: '2026-11-25', rates: [] };
const row = (printedCents: number | null, currency: string | null = null) => ({ printedCents, currency, modules: 2 });

test('a printed price is what it costs, without steps where nothing is done to it', () => {
  expect(rowCost(row(1200), ground)).toEqual({ ok: true, costCents: 1200, steps: null });
  expect(rowCost(row(1200, 'EUR'), ground)).toMatchObject({ ok: true });
});

test('every step is told where there are any', () => {
  const cost = rowCost(row(1200), { ...ground, terms: { ...terms, withTax: true } });
  expect(cost).toMatchObject({ ok: true, costCents: 1000, steps: [{ what: 'printed' }, { what: 'tax-off' }] });
});

test.each([
  ['no price', row(null), ground, null],
  ['another currency', row(1200, 'SKR'), ground, null],
  ['more than can be kept', row(2_000_000_001), ground, null],
  [
    'no rate',
    row(1200),
    { ...ground, terms: { ...terms, currency: 'SKR' } },
    'There is no rate from SKR to EUR up to this day.',
  ],
])('%s is not counted', (_, own, by, sentence) => {
  expect(rowCost(own, by)).toEqual({ ok: false, sentence });
});
