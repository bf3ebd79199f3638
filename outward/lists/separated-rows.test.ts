import { SeparatedRows } from './separated-rows';

/** All rows of a text that comes in pieces of so many letters. */
function rowsOf(text: string, piece = text.length): string[][] {
  const rows = new SeparatedRows();
  const all: string[][] = [];
  for (let from = 0; from < text.length; from += piece) {
    const last = from + piece >= text.length;
    all.push(...rows.next(text.slice(from, from + piece), last).map(({ cells }) => cells));
  }
  return all;
}

const FILLER = Array.from({ length: 6000 }, (_, at) => `R-${at};some module of some kind;${at}`).join('\r\n');

test('rows are the same however the file is cut', () => {
  const text = `SKU;Text;Price\r\n${FILLER}\r\n"Q;1";"two\r\nlines";"say ""so"""\r\nlast;x;1`;
  const whole = rowsOf(text);
  expect(whole).toHaveLength(6003);
  expect(whole.at(-2)).toEqual(['Q;1', 'two\nlines', 'say "so"']);
  for (const piece of [1, 7, 1000, 66_001]) {
    if (piece > 1) expect(rowsOf(text, piece)).toEqual(whole);
  }
  // Letter by letter, from where the separators are known.
  const rows = new SeparatedRows();
  const all = rows.next(text.slice(0, 70_000), false);
  for (const letter of text.slice(70_000, 72_000)) all.push(...rows.next(letter, false));
  all.push(...rows.next(text.slice(72_000), true));
  expect(all.map(({ cells }) => cells)).toEqual(whole);
  expect(all.map(({ line }) => line)).toEqual(whole.map((_, at) => at + 1));
});

test.each([
  ['comma', 'a,b\nc,d\n', [['a', 'b'], ['c', 'd'], ['']]],
  [
    'tab, old line ends',
    'a\tb\rc\td',
    [
      ['a', 'b'],
      ['c', 'd'],
    ],
  ],
  [
    'bar',
    'a|b\r\nc|d',
    [
      ['a', 'b'],
      ['c', 'd'],
    ],
  ],
  [
    'a separator told in the first line',
    'sep=;\r\na,1;b\r\nc,2;d',
    [
      ['a,1', 'b'],
      ['c,2', 'd'],
    ],
  ],
])('separated by %s', (_, text, rows) => {
  expect(rowsOf(text)).toEqual(rows);
});

test('a row that is separated by another mark is read by that', () => {
  const plain = 'D;four;4.00\nE;five;5.00\n'.repeat(3);
  const text = `SKU;Text;Price\n${plain}A;one;1,00\nB\ttwo\t2.00\nC,"three, or so",3.00\nGroup head\n`;
  expect(rowsOf(text).slice(7, -1)).toEqual([
    ['A', 'one', '1,00'],
    ['B', 'two', '2.00'],
    ['C', 'three, or so', '3.00'],
    ['Group head'],
  ]);
});

test('a quote that never ends spoils its own line and no other', () => {
  const lines = ['SKU;Text;Price', 'A;"open;1', 'B;two;2', 'C;"a "bad" one";3', 'D;"four";4', 'E;"open;5'];
  const read = rowsOf(lines.join('\n'));
  expect(read).toEqual([
    ['SKU', 'Text', 'Price'],
    ['A', '"open', '1'],
    ['B', 'two', '2'],
    ['C', '"a "bad" one"', '3'],
    ['D', 'four', '4'],
    ['E', '"open', '5'],
  ]);
  // As well where it stands far from the end of a large file.
  const far = `A;b;c\nB;"open;1\n${FILLER.replaceAll('\r\n', '\n').repeat(8)}\n"Z";"z";"z"`;
  const rows = rowsOf(far, 100_000);
  expect(rows[1]).toEqual(['B', '"open', '1']);
  expect(rows.at(-1)).toEqual(['Z', 'z', 'z']);
  expect(rows.length).toBeGreaterThan(47_990);
});

test('what is no list of rows is told', () => {
  expect(() => rowsOf(`a;b\n${'x'.repeat(1_100_000)}`)).toThrow('Line 2 is over a million letters long');
  expect(() => rowsOf('a;"b\n'.repeat(200))).toThrow('Over 100 lines have a quotation mark that never ends');
});
