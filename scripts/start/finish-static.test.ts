import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { finishStatic } from './finish-static';

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fenbrik-static-'));
  mkdirSync(join(folder, 'chunks'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('a script has both forms beside it, each of the very script that is sent', async () => {
  const script = join(folder, 'chunks', 'ladder.js');
  writeFileSync(script, 'const rungs = [8, 16, 32];\n'.repeat(100));
  await finishStatic(folder);
  const sent = readFileSync(script);
  expect(sent.toString()).toBe(`//# allFunctionsCalledOnLoad\n${'const rungs = [8, 16, 32];\n'.repeat(100)}`);
  expect(brotliDecompressSync(readFileSync(`${script}.br`))).toEqual(sent);
  expect(gunzipSync(readFileSync(`${script}.gz`))).toEqual(sent);
});

test('done twice it is what it was after once', async () => {
  writeFileSync(join(folder, 'chunks', 'ladder.js'), 'let a = 1;\n'.repeat(200));
  await finishStatic(folder);
  const once = readdirSync(join(folder, 'chunks')).map((name) => readFileSync(join(folder, 'chunks', name), 'hex'));
  await finishStatic(folder);
  const twice = readdirSync(join(folder, 'chunks')).map((name) => readFileSync(join(folder, 'chunks', name), 'hex'));
  expect(twice).toEqual(once);
});

test('a style sheet is pressed and not hinted; fonts and small files stay alone', async () => {
  writeFileSync(join(folder, 'page.css'), '.rung { color: red }\n'.repeat(100));
  writeFileSync(join(folder, 'face.woff2'), Buffer.alloc(5_000, 1));
  writeFileSync(join(folder, 'small.json'), '{}');
  await finishStatic(folder);
  expect(readdirSync(folder).sort()).toEqual(
    ['chunks', 'face.woff2', 'page.css', 'page.css.br', 'page.css.gz', 'small.json'].sort(),
  );
  expect(readFileSync(join(folder, 'page.css'), 'utf8').startsWith('.rung')).toBe(true);
});
