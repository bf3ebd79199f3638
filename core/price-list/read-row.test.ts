import { compareList, type StandingOffer, suspicionOf } from './compare-list';
import { readRow, stockOf } from './read-row';

const columns = { sku: 0, title: 1, price: 2, stock: 3 } as const;
const row = (cells: string[], roles: Record<string, number> = columns) => readRow(cells, roles, 7);
const facts = { sku: 0, generation: 1, capacity: 2, rate: 3, form: 4, modules: 5, price: 6, currency: 7, maker: 8 };

describe('a row of a price list', () => {
  it('is an offer by its title', () => {
    expect(row(['Q-1', 'Corrick 2x8GB DDR4-3200 CL22 SO-DIMM kit', '€ 44,00', '12'])).toMatchObject({
      line: 7,
      sku: 'Q-1',
      modules: 2,
      module: { capacityMiB: 8192, generation: 'DDR4', rateMTs: 3200, casLatency: 22, form: 'SO-DIMM' },
      printedCents: 4400,
      currency: 'EUR',
      stock: 12,
      used: false,
      doubts: [],
    });
  });

  it('is one by columns of facts, and says whose currency it has', () => {
    expect(row(['K-1', 'ddr5', '16 GB', '5600 MHz', 'so dimm', '1', '520,00', 'SKR', 'Corrick'], facts)).toMatchObject({
      module: { capacityMiB: 16_384, generation: 'DDR5', rateMTs: 5600, form: 'SO-DIMM', maker: 'Corrick' },
      title: 'Corrick 16 GB ddr5 so dimm',
      currency: 'SKR',
      doubts: [],
    });
  });

  test.each<[string, string[], string[]]>([
    ['no number', ['', 'Corrick 8GB DDR4-3200 DIMM', '20'], ['no-sku']],
    ['a date for a price', ['1', 'Corrick 8GB DDR4-3200 DIMM', '2026-11-25'], ['date-price']],
    ['a negative price', ['1', 'Corrick 8GB DDR4-3200 DIMM', '-4'], ['price-not-positive']],
    ['a price on request', ['1', 'Corrick 8GB DDR4-3200 DIMM', 'on request'], ['on-request']],
    ['a title that tells little', ['1', 'Laptop memory 8GB', '20'], ['no-generation', 'no-rate']],
    [
      'nothing at all',
      ['', '', ''],
      ['no-sku', 'no-text', 'no-price', 'no-capacity', 'no-generation', 'no-form', 'no-rate'],
    ],
  ])('with %s is a doubt', (_, cells, doubts) => {
    expect(row(cells).doubts).toEqual(doubts);
  });

  it('whose columns and title disagree is a doubt, and so is a kit whose capacity may be the whole', () => {
    const both = { ...columns, generation: 4 };
    expect(row(['1', 'Corrick 8GB DDR4-3200 DIMM', '20', '1', 'DDR3'], both).doubts).toEqual(['contradiction']);
    expect(row(['K', 'DDR4', '16 GB', '3200', 'DIMM', '2', '60', 'EUR', ''], facts).doubts).toEqual(['kit-capacity']);
    const withTitle = { ...columns, capacity: 4 };
    for (const [capacity, doubts] of [
      ['16 GB', []],
      ['8 GB', []],
      ['4 GB', ['kit-capacity']],
    ] as const) {
      expect(row(['1', 'Corrick 2x8GB DDR4-3200 DIMM', '44', '1', capacity], withTitle)).toMatchObject({
        modules: 2,
        module: { capacityMiB: 8192 },
        doubts,
      });
    }
  });

  it('tells stock as far as it is told', () => {
    expect(['12', 'sold out', 'in stock', '100+', ''].map(stockOf)).toEqual([12, 0, null, null, null]);
    expect(row(['1', 'Corrick 8GB DDR4-3200 DIMM', '9', '1', 'used'], { ...columns, condition: 4 }).used).toBe(true);
  });
});

describe('a list beside what stands', () => {
  const standing: StandingOffer[] = [
    { offerId: 1, sku: 'A', modules: 1, printedCents: 2000 },
    { offerId: 2, sku: 'B', modules: 2, printedCents: 4000 },
    { offerId: 3, sku: 'C', modules: 1, printedCents: 3000 },
  ];
  const line = (sku: string, price: string, title = 'Corrick 8GB DDR4-3200 DIMM') => row([sku, title, price, '1']);

  it('is new, the same, dearer, cheaper or doubtful, and what is gone is named', () => {
    const { fates, gone } = compareList(
      [line('a', '20.00'), line('B', '44.00'), line('N', '9.00'), line('X', 'soon')],
      standing,
      'EUR',
    );
    expect(fates.map(({ fate, offerId, suspicion }) => [fate, offerId, suspicion])).toEqual([
      ['same', 1, null],
      ['up', 2, null],
      ['new', null, null],
      ['doubtful', null, null],
    ]);
    expect(gone.map(({ sku }) => sku)).toEqual(['C']);
  });

  it('is suspicious where a point slipped, a kit became a single, a price jumped, or the currency is another', () => {
    expect([
      suspicionOf(2000, 20_000, 1),
      suspicionOf(2000, 200, 1),
      suspicionOf(4000, 2000, 2),
      suspicionOf(4000, 8100, 2),
      suspicionOf(2000, 3100, 1),
      suspicionOf(2000, 2600, 1),
    ]).toEqual(['decimal-slip', 'decimal-slip', 'kit-or-single', 'kit-or-single', 'jump', null]);
    const { fates } = compareList([line('A', '£20'), line('C', '30.00'), line('c', '31.00')], standing, 'EUR');
    expect(fates.map(({ suspicion }) => suspicion)).toEqual(['currency', null, 'twice']);
  });
});
