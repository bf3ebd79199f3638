import { correctRow, fixesFor, rowFixSchema } from './correct-row';
import { readRow } from './read-row';

const columns = { headings: 0, columns: { sku: 0, title: 1, price: 2 } };
const row = (title: string, price = '20.00') => readRow(['Q-1', title, price], columns, 3);

describe('a doubtful row', () => {
  it('is asked for what it does not tell, and counts once it is told', () => {
    const laptop = row('Laptop memory 8GB');
    expect(fixesFor(laptop)).toEqual(['generation', 'rateMTs']);
    const half = correctRow(laptop, { generation: 'DDR4' });
    expect(half.doubts).toEqual(['no-rate']);
    const whole = correctRow(laptop, { generation: 'DDR4', rateMTs: 3200 });
    expect(whole).toMatchObject({ doubts: [], module: { generation: 'DDR4', rateMTs: 3200, form: 'SO-DIMM' } });
  });

  it('is asked for a price that is none', () => {
    const date = row('Corrick 8GB DDR4-3200 CL22 DIMM', '2026-11-25');
    expect(fixesFor(date)).toEqual(['printedCents']);
    expect(correctRow(date, { printedCents: 1900 })).toMatchObject({ printedCents: 1900, doubts: [] });
  });

  it('stays doubtful without a number, whatever is told', () => {
    const nameless = readRow(['', '', '20'], columns, 3);
    expect(correctRow(nameless, { rateMTs: 3200 }).doubts).toContain('no-sku');
    expect(correctRow(nameless, undefined)).toBe(nameless);
  });

  it('is told only what a module can be', () => {
    for (const fix of [{ rateMTs: 0 }, { form: 'CARD' }, { printedCents: -1 }, { colour: 'red' }]) {
      expect(rowFixSchema.safeParse(fix).success).toBe(false);
    }
  });
});
