import { modelsCell, originCell } from './origin-cell';
import { readRow } from './read-row';
import { isTextKey, textKey } from './text-key';

const COLUMNS = { headings: 0, columns: { sku: 0, title: 1, price: 2, origin: 3, fits: 4, maker: 5 } };
const row = (cells: string[], partsOf = '') => readRow(cells, COLUMNS, 2, 2, partsOf);
const TITLE = '8GB DDR4-2666 SO-DIMM';

test.each([
  ['original', 'original', ''],
  ['Genuine', 'original', ''],
  ['OEM', 'original', ''],
  ["d'origine", 'original', ''],
  ['Originalteil', 'original', ''],
  ['yes', 'original', ''],
  ['Original Tarnholt', 'original', 'Tarnholt'],
  ['genuine part of Tarnholt', 'original', 'Tarnholt'],
  ['third-party', 'third-party', ''],
  ['kompatibel', 'third-party', ''],
  ['No', 'third-party', ''],
  ['gebraucht', 'used', ''],
  ['refurbished', 'used', ''],
])('a cell "%s" says %s', (cell, origin, maker) => {
  expect(originCell(cell)).toEqual({ origin, maker });
});

test.each(['', 'Nordland', '42', 'unknown', 'ask us'])('a cell "%s" says no origin', (cell) => {
  expect(originCell(cell)).toBeNull();
});

test('models in a cell are parted as lists part them', () => {
  expect(modelsCell('TC4-1900, TC4-2100; Lumen 5 / Lumen 7 and Lumen 9')).toEqual([
    'TC4-1900',
    'TC4-2100',
    'Lumen 5',
    'Lumen 7',
    'Lumen 9',
  ]);
  expect(modelsCell('')).toEqual([]);
  expect(modelsCell(Array.from({ length: 90 }, (_, nr) => `M${nr}`).join(','))).toHaveLength(40);
});

describe('a row says where its part comes from', () => {
  it('by its column, with the maker beside it and the models', () => {
    expect(row(['A', TITLE, '30', 'original', 'TC4-1900, TC4-2100', 'Tarnholt'])).toMatchObject({
      origin: 'original',
      originalOf: 'Tarnholt',
      madeFor: ['TC4-1900', 'TC4-2100'],
      used: false,
      doubts: [],
    });
    expect(row(['A', TITLE, '30', 'compatible', 'TC4-1900', 'Corrick'])).toMatchObject({
      origin: 'third-party',
      originalOf: '',
      madeFor: [],
    });
    expect(row(['A', TITLE, '30', 'used', '', ''])).toMatchObject({ origin: 'used', used: true });
  });

  it('by its text where no column tells, and by whose shop it is where neither does', () => {
    expect(row(['A', `Genuine ${TITLE} for TC4-1900`, '30', '', '', 'Tarnholt'])).toMatchObject({
      origin: 'original',
      originalOf: 'Tarnholt',
      madeFor: ['TC4-1900'],
    });
    expect(row(['A', TITLE, '30', '', '', ''], 'Tarnholt')).toMatchObject({
      origin: 'original',
      originalOf: 'Tarnholt',
      madeFor: [],
    });
    expect(row(['A', `compatible ${TITLE}`, '30', '', '', ''], 'Tarnholt').origin).toBeNull();
    expect(row(['A', `${TITLE} used`, '30', '', '', ''], 'Tarnholt')).toMatchObject({ origin: 'used', used: true });
    expect(row(['A', TITLE, '30', '', '', ''])).toMatchObject({ origin: null, originalOf: '', used: false });
  });

  it('or is doubtful where the column says something else', () => {
    expect(row(['A', TITLE, '30', 'Nordland', '', ''])).toMatchObject({ origin: null, doubts: ['unknown-origin'] });
  });
});

describe('a row without a number', () => {
  const nameless = (cells: string[]) => readRow(cells, COLUMNS, 2).sku;

  it('is known again by its text, whatever its price, and told apart from its like', () => {
    const first = nameless(['', TITLE, '30', '', '', 'Corrick']);
    expect(isTextKey(first)).toBe(true);
    expect(first.length).toBeLessThanOrEqual(80);
    expect(nameless(['', ` ${TITLE.toUpperCase()} `, '31', '', '', 'corrick'])).toBe(first);
    expect(nameless(['', TITLE, '30', '', '', 'Vellamo'])).not.toBe(first);
  });

  it('has a key that no seller’s number is', () => {
    expect(isTextKey('TC-1')).toBe(false);
    expect(isTextKey(null)).toBe(false);
    expect(textKey('x'.repeat(500), ['x'])).toHaveLength(78);
  });
});
