import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { READER } from '../../testing/reader';
import { openTestShop } from '../../testing/shop';
import { takeFromFolder } from './list-folder';
import { listsOfLate } from './price-lists';

openTestShop();

const LIST = 'SKU,Description,Price\r\nFW-1,Corrick 8GB DDR4-2400 CL17 DIMM,9.00\r\n';
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fenbrik-lists-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const lay = (seller: string, name: string, text: string | Uint8Array) => {
  mkdirSync(join(folder, seller), { recursive: true });
  writeFileSync(join(folder, seller, name), text);
};
/** As if some time had gone by since the files were written. */
const look = () => takeFromFolder(folder, Date.now() + 10_000);
const inside = (...path: string[]) => (existsSync(join(folder, ...path)) ? readdirSync(join(folder, ...path)) : []);

test('a list in its seller’s folder waits to be looked at, and the file is out of the way', async () => {
  const before = (await listsOfLate(READER)).length;
  lay('quayside components', 'november.csv', LIST);
  lay('quayside components', 'notes.pdf', 'not for us');
  expect(await look()).toEqual([
    { file: 'quayside components/november.csv', ok: true, sentence: 'It waits for review.' },
  ]);
  const [list] = await listsOfLate(READER);
  expect(list).toMatchObject({ name: 'november.csv', seller: 'Quayside Components', state: 'looked-at', madeBy: null });
  expect((await listsOfLate(READER)).length).toBe(before + 1);
  expect(inside('quayside components').sort()).toEqual(['notes.pdf', 'taken']);
  expect(inside('quayside components', 'taken')).toEqual([expect.stringMatching(/ november\.csv$/)]);
  expect(await look()).toEqual([]);
  // The same bytes once more, as after a crash in between, are no second list.
  lay('quayside components', 'again.csv', LIST);
  expect(await look()).toMatchObject([{ ok: true, sentence: 'It was read before.' }]);
  expect((await listsOfLate(READER)).length).toBe(before + 1);
});

test('a file that is still being written is left until it rests', async () => {
  lay('Quayside Components', 'growing.csv', LIST);
  expect(await takeFromFolder(folder)).toEqual([]);
  expect(inside('Quayside Components')).toEqual(['growing.csv']);
});

test('what cannot be taken is put aside with the reason, and holds no other back', async () => {
  lay('Nobody', 'a.csv', LIST);
  lay('Quayside Components', 'b.csv', 'hello');
  lay('Quayside Components', 'c.csv', LIST.replace('FW-1', 'FW-2'));
  lay('Quayside Components', 'huge.csv', new Uint8Array(15 * 1024 * 1024));
  expect((await look()).map(({ file, ok }) => [file, ok])).toEqual([
    ['Nobody/a.csv', false],
    ['Quayside Components/b.csv', false],
    ['Quayside Components/c.csv', true],
    ['Quayside Components/huge.csv', false],
  ]);
  const [why = ''] = inside('Nobody', 'refused').filter((name) => name.endsWith('.why.txt'));
  expect(readFileSync(join(folder, 'Nobody', 'refused', why), 'utf8')).toBe('There is no seller called Nobody.\n');
  expect(inside('Quayside Components', 'refused').length).toBe(4);
});

test('a folder that is not there is nothing to take', async () => {
  expect(await takeFromFolder(join(folder, 'gone'))).toEqual([]);
});
