import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const ROOT = join(__dirname, '..');
const PRELOAD = ['--import', pathToFileURL(join(__dirname, 'end-with-parent.mjs')).href];

test('what is started ends with the process that started it', async () => {
  const child = spawn(process.execPath, [...PRELOAD, '-e', 'setInterval(() => {}, 1000)'], {
    stdio: ['pipe', 'ignore', 'ignore'],
  });
  const ended = new Promise<number | null>((resolve) => child.on('exit', resolve));
  child.stdin.end();
  expect(await ended).toBe(0);
});

test('a thread that a package starts in it lives as long as it has work', async () => {
  // Only the real one shows it: its inside looks at the standard input of its thread.
  const work = `
    const { createWorker } = require('tesseract.js');
    const { dirname, join } = require('node:path');
    const langPath = join(dirname(require.resolve('@tesseract.js-data/eng/package.json')), '4.0.0_best_int');
    createWorker('eng', 1, { langPath, cacheMethod: 'none', gzip: true }).then(() => { console.log('up'); process.exit(0); });
    setTimeout(() => process.exit(3), 20_000);`;
  const child = spawn(process.execPath, [...PRELOAD, '-e', work], { cwd: ROOT, stdio: ['pipe', 'pipe', 'ignore'] });
  const said: string[] = [];
  child.stdout.on('data', (piece) => said.push(String(piece)));
  const status = await new Promise<number | null>((resolve) => child.on('close', resolve));
  expect([status, said.join('')]).toEqual([0, 'up\n']);
}, 40_000);
