import { suspicionOf } from './price-bands';
import { type CapacityIs, readRow, stockOf } from './read-row';

const columns = { sku: 0, title: 1, price: 2, stock: 3 } as const;
const row = (cells: string[], roles: Record<string, number> = columns, capacityIs: CapacityIs | null = null) =>
  readRow(cells, { headings: 0, columns: roles, capacityIs }, 7);
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
    ['no number, which its text stands for', ['', 'Corrick 8GB DDR4-3200 DIMM', '20'], []],
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

describe('a kit whose capacity stands in a column', () => {
  const kit = (capacity: string, modules: string, capacityIs: CapacityIs | null) => {
    const { module, doubts } = row(
      ['K', 'DDR4', capacity, '3200', 'DIMM', modules, '60', 'EUR', ''],
      facts,
      capacityIs,
    );
    return [module.capacityMiB, doubts];
  };

  it('is sure once somebody said whose capacity it is', () => {
    expect(kit('16 GB', '2', 'module')).toEqual([16_384, []]);
    expect(kit('16 GB', '2', 'kit')).toEqual([8192, []]);
    expect(kit('16 GB', '1', null)).toEqual([16_384, []]);
    expect(kit('1 MB', '3', 'kit')[1]).toEqual(['kit-capacity']);
  });

  it('has 1 to 8 modules', () => {
    expect(kit('16 GB', '0', 'module')[1]).toEqual(['pack-size']);
    expect(kit('16 GB', '24', 'module')[1]).toEqual(['pack-size']);
  });
});

test('a price beside the one before is suspicious where a point slipped, a kit became a single, or it jumped', () => {
  expect([
    suspicionOf(2000, 20_000, 1),
    suspicionOf(2000, 200, 1),
    suspicionOf(4000, 2000, 2),
    suspicionOf(4000, 8100, 2),
    suspicionOf(2000, 3100, 1),
    suspicionOf(2000, 2600, 1),
  ]).toEqual(['decimal-slip', 'decimal-slip', 'kit-or-single', 'kit-or-single', 'jump', null]);
});
