import { modelSchema } from '../../core/machine/models/model';
import { libraryCsv, libraryJson, readLibraryFile } from './library-file';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const HEAD = 'maker,name,year_from,slots,source_kind,source,total,note';
const model = modelSchema.parse({
  maker: 'Tarnholt',
  name: 'Counter 4',
  yearFrom: 2018,
  note: '=cmd()',
  slots: [{ name: 'A1', channel: 'A', bank: 1 }],
  claims: [{ limit: 'totalMiB', value: 65536, source: { kind: 'maker-page', name: 'page, "new"' } }],
});

describe('a file of models', () => {
  it('is read good row by good row, bad ones with line and reason', () => {
    const rows = [
      HEAD,
      'Tarnholt,A,2018,A1;B1,maker-page,page,8 GB,',
      'Tarnholt,B,soon,,,,,',
      '',
      'Ostrell,"C\nC",2020,,,,,',
    ];
    rows.push('Ostrell,D,2020,A1,maker-page,page,lots,');
    const read = readLibraryFile(bytes(rows.join('\n')));
    expect(read).toMatchObject({ ok: true, counts: 'line' });
    expect(read.ok && read.entries.map((entry) => [entry.at, entry.ok ? entry.model.name : entry.sentence])).toEqual([
      [2, 'A'],
      [3, 'year_from: "soon" is no whole number'],
      [5, 'C\nC'],
      [7, 'total: "lots" is no capacity such as 16 GB'],
    ]);
  });

  it('may be separated by semicolons, in any order, with a byte order mark and other columns', () => {
    const read = readLibraryFile(bytes('\ufeffName;Shelf;Year from;Maker\r\nCounter 4;3;2018;Tarnholt\r\n'));
    expect(read.ok && read.entries).toMatchObject([{ at: 2, ok: true, model: { maker: 'Tarnholt', yearFrom: 2018 } }]);
  });

  it('comes back from JSON as it went out', () => {
    const read = readLibraryFile(bytes(libraryJson([model])));
    expect(read).toEqual({ ok: true, counts: 'entry', entries: [{ at: 1, ok: true, model }], shop: null });
  });

  it('says in JSON which shop it is of, and passes over one that is none', () => {
    const shop = { key: '6f1f1a52-6a0a-4c0e-9d55-2f8d6f1f1a52', name: 'Harbour Bench' };
    expect(readLibraryFile(bytes(libraryJson([model], shop)))).toMatchObject({ ok: true, shop });
    const other = JSON.stringify({ fenbrik: 'models/1', shop: { key: 'x', name: '' }, models: [] });
    expect(readLibraryFile(bytes(other))).toMatchObject({ ok: true, shop: null });
  });

  it('comes back from CSV as far as its columns hold it, and runs nothing in a spreadsheet', () => {
    const csv = libraryCsv([model]);
    expect(csv).toContain("'=cmd()");
    expect(csv.split(/[,\r\n]/).filter((cell) => /^[=+@-]/.test(cell))).toEqual([]);
    const read = readLibraryFile(bytes(csv));
    expect(read.ok && read.entries[0]).toMatchObject({ ok: true, model: { ...model, claims: [{ value: 65536 }] } });
  });

  test.each([
    ['nothing', '', /nothing in this file/],
    ['blanks', ' \n ', /nothing in this file/],
    ['broken JSON', '{"fenbrik": "models/1", "models": [', /broken JSON/],
    ['other JSON', '{"fenbrik": "case/1"}', /no file of models/],
    ['a list', '[1, 2]', /no file of models/],
    ['another table', 'a,b\n1,2\n', /no file of models/],
    ['a binary', 'MZ\0\0', /no file of models/],
    ['too many models', JSON.stringify({ fenbrik: 'models/1', models: Array(20_001).fill(0) }), /At most 20000/],
  ])('is none where it is %s', (_, text, why) => {
    const read = readLibraryFile(bytes(text));
    expect(read.ok ? '' : read.sentence).toMatch(why);
  });

  it('of JSON names entries that are none', () => {
    const read = readLibraryFile(bytes(JSON.stringify({ fenbrik: 'models/1', models: [model, 7, { maker: 'X' }] })));
    expect(read.ok && read.entries.map(({ at, ok }) => [at, ok])).toEqual([
      [1, true],
      [2, false],
      [3, false],
    ]);
  });
});
