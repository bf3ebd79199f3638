import type { ColumnRole } from './column-roles';
import { guessColumns } from './guess-columns';
import { listPrice } from './list-price';

/** Layouts that the guesser was made with; those written after it are in the second table. */
const KNOWN: readonly [string, string[][], Partial<Record<ColumnRole, number>>][] = [
  [
    'plain names',
    [
      ['SKU', 'Description', 'Price', 'Stock'],
      ['Q-1001', 'Corrick 8 GB DDR4-2666 CL19 DIMM', '24.50', '12'],
      ['Q-1002', 'Corrick 16 GB DDR4-2666 CL19 DIMM', '41.90', '3'],
    ],
    { sku: 0, title: 1, price: 2, stock: 3 },
  ],
  [
    'a letterhead above and German names',
    [
      ['Quayside Components', '', '', ''],
      ['Preisliste November', '', '', ''],
      ['', '', '', ''],
      ['Artikelnummer', 'Bezeichnung', 'Bestand', 'Preis EUR'],
      ['1001', 'Vellamo 8GB DDR4-3200 SO-DIMM', '5', '19,90 €'],
      ['1002', 'Vellamo 16GB DDR4-3200 SO-DIMM', '0', '35,00 €'],
    ],
    { sku: 0, title: 1, stock: 2, price: 3 },
  ],
  [
    'facts in columns of their own',
    [
      ['Part number', 'Brand', 'Type', 'Size', 'Speed', 'Form factor', 'Kit of', 'Net price', 'Currency'],
      ['VE4S8-3200', 'Vellamo', 'DDR4', '8 GB', '3200', 'SO-DIMM', '1', '18.20', 'EUR'],
      ['VE4S16-3200', 'Vellamo', 'DDR4', '16 GB', '3200', 'SO-DIMM', '2', '66.00', 'EUR'],
    ],
    { part: 0, maker: 1, generation: 2, capacity: 3, rate: 4, form: 5, modules: 6, price: 7, currency: 8 },
  ],
  [
    'no headings at all',
    [
      ['A-17', 'Brightlode 4GB DDR3-1600 DIMM', '€ 9.90'],
      ['A-18', 'Brightlode 8GB DDR3-1600 DIMM', '€ 17.50'],
      ['A-19', 'Brightlode 8GB DDR3L-1600 SO-DIMM', '€ 18.50'],
    ],
    { sku: 0, title: 1, price: 2 },
  ],
];

test.each(KNOWN)('columns are guessed: %s', (_, rows, columns) => {
  expect(guessColumns(rows).columns).toEqual(columns);
});

test('a second column that fits nearly as well is a doubt', () => {
  const rows = [
    ['SKU', 'Description', 'Price', 'Price'],
    ['Q-1', 'Corrick 8 GB DDR4-2666 DIMM', '24.50', '29.40'],
    ['Q-2', 'Corrick 16 GB DDR4-2666 DIMM', '41.90', '50.28'],
  ];
  expect(guessColumns(rows)).toMatchObject({ columns: { price: 2 }, doubtful: ['price'] });
});

test('nothing is guessed where nothing is there', () => {
  expect(guessColumns([])).toEqual({ headings: null, columns: {}, capacityIs: null, doubtful: [], signs: {} });
  expect(guessColumns([['', '']])).toEqual({ headings: null, columns: {}, capacityIs: null, doubtful: [], signs: {} });
});

describe('a price cell', () => {
  test.each([
    ['24.50', 2450, null],
    ['24,5', 2450, null],
    ['€ 1.249,00', 124_900, 'EUR'],
    ['1,249.00 EUR', 124_900, 'EUR'],
    ['1 249,-', 124_900, null],
    ["1'249.90", 124_990, null],
    ['£12', 1200, 'GBP'],
    ['1.249', 124_900, null],
    ['19.9900', 1999, null],
  ])('"%s" is %i %s', (cell, cents, currency) => {
    expect(listPrice(cell)).toEqual({ ok: true, cents, currency });
  });

  it('goes by the decimals of the seller’s currency', () => {
    const read = (cell: string, decimals: number) => listPrice(cell, decimals);
    expect(read('12,500', 0)).toMatchObject({ ok: true, cents: 12_500 });
    expect(read('12500', 0)).toMatchObject({ cents: 12_500 });
    expect(read('12.500', 3)).toMatchObject({ cents: 12_500 });
    expect(read('1,249.500', 3)).toMatchObject({ cents: 1_249_500 });
    expect(read('24.50', 3)).toMatchObject({ cents: 24_500 });
  });

  test.each([
    ['', 'empty'],
    ['-', 'empty'],
    ['2026-11-25', 'date'],
    ['25.11.2026', 'date'],
    ['0.00', 'not-positive'],
    ['-5', 'not-positive'],
    ['call us', 'on-request'],
    ['eight', 'no-price'],
    ['1.2.3', 'date'],
    ['12.34.56.78', 'no-price'],
  ])('"%s" is no price: %s', (cell, why) => {
    expect(listPrice(cell)).toEqual({ ok: false, why });
  });
});

test.each([
  ['Capacity', null],
  ['Capacity per module', 'module'],
  ['Module size', 'module'],
  ['Kit capacity', 'kit'],
  ['Gesamtkapazität', 'kit'],
  ['Total kit capacity (per module × pcs)', null],
])('a heading "%s" says whose capacity it is', (heading, capacityIs) => {
  const rows = [['SKU', 'Type', heading, 'Price'], ...[1, 2, 3].map((nr) => [`AB-${nr}`, 'DDR4', '8 GB', '9.00'])];
  expect(guessColumns(rows)).toMatchObject({ columns: { capacity: 2 }, capacityIs });
});

it('says why a column is taken for what it is', () => {
  const rows = [
    ['Art.-Nr.', 'Our nice parts', 'Dealer price EUR'],
    ['K-1', 'Corrick 8GB DDR4-2666 DIMM', '19,90'],
    ['K-2', 'Corrick 16GB DDR4-2666 DIMM', 'on request'],
  ];
  const { signs } = guessColumns(rows);
  expect(signs?.sku).toEqual({ heading: 'name', fitPercent: 100 });
  expect(signs?.title).toEqual({ heading: null, fitPercent: 100 });
  expect(signs?.price?.heading).toBe('name');
  expect(signs?.price?.fitPercent).toBeLessThan(100);
});
