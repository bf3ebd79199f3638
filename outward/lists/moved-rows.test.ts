import { readMovedRows } from './moved-rows';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

test.each([
  ['commas', 'Name,Phone\nVane,1'],
  ['semicolons', 'Name;Phone\nVane;1'],
  ['tabs', 'Name\tPhone\r\nVane\t1\r\n'],
  ['a mark of the byte order', '\uFEFFName,Phone\nVane,1'],
  ['empty lines before', '\n\nName,Phone\n\nVane,1'],
])('a table with %s', async (_, text) => {
  expect(await readMovedRows(bytes(text))).toMatchObject({
    headings: ['Name', 'Phone'],
    rows: [{ cells: ['Vane', '1'] }],
  });
});

test('lines are counted as the file does, and quoted cells may hold separators', async () => {
  const read = await readMovedRows(bytes('Name,Note\n"Vane, Hedda",x\n\nOake,y'));
  expect(read).toMatchObject({
    rows: [
      { line: 2, cells: ['Vane, Hedda', 'x'] },
      { line: 4, cells: ['Oake', 'y'] },
    ],
  });
});

test.each([
  ['nothing', '', 'no rows'],
  ['headings alone', 'Name,Phone', 'no rows'],
  ['a program', 'MZ\u0000\u0001', 'no table'],
  ['a damaged workbook', 'PK\u0003\u0004 broken', 'damaged'],
  ['too many rows', `Name\n${'x\n'.repeat(20_001)}`, 'more than 20,000 rows'],
])('%s is told in a sentence', async (_, text, sentence) => {
  expect(await readMovedRows(bytes(text))).toEqual(expect.stringContaining(sentence));
});
