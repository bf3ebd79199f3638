import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { request } from 'playwright-core';
import { DEMO_PASSWORD } from '../demo/load-shop';
import { bundlePrograms, writeOutput } from '../scripts/start/programs';
import { many, one, pool } from '../store/database';
import { App } from '../testing/browser/app';
import { quayside, stateOf, TILL_REPORT } from '../testing/shop';
import { inLongRun } from './in-long-run';

const ROOT = join(__dirname, '..');
const home = mkdtempSync(join(tmpdir(), 'fenbrik-production-'));
afterAll(() => rmSync(home, { recursive: true, force: true }));

interface Locked {
  packages: Record<string, { dev?: boolean; devOptional?: boolean }>;
}
const locked: Locked = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
/** Packages that `npm ci --omit=dev` puts at the top. */
const forUse = Object.entries(locked.packages)
  .filter(([path, { dev, devOptional }]) => /^node_modules\/(?:@[^/]+\/)?[^/]+$/.test(path) && !dev && !devOptional)
  .map(([path]) => path)
  .filter((path) => existsSync(join(ROOT, path)));

/** The output in a folder of its own, with what is installed for use and nothing else: no sources, no tools. */
function outputWithLinks(): string {
  const folder = join(home, 'linked');
  writeOutput(folder);
  for (const path of forUse) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    symlinkSync(join(ROOT, path), join(folder, path));
  }
  return folder;
}

/** Does what needs each of the programs, threads, fonts and styles. */
async function walk(app: App): Promise<void> {
  const browserLess = await request.newContext({ baseURL: app.base });
  const signedIn = await browserLess.post('/api/sign-in', { data: { name: 'runa', password: DEMO_PASSWORD } });
  expect(signedIn.status()).toBe(200);
  expect(await (await browserLess.get('/')).text()).toContain('<main');
  const made = await (await browserLess.post('/api/jobs')).json();
  const read = await browserLess.post(`/api/jobs/${made.id}/reading`, {
    multipart: { file: { name: 'till.txt', mimeType: 'text/plain', buffer: Buffer.from(TILL_REPORT) } },
  });
  expect((await read.json()).inputs).toEqual([expect.objectContaining({ ok: true })]);
  const { seller } = await quayside();
  const list = await browserLess.post(`/api/sellers/${seller.id}/lists`, {
    headers: { 'content-type': 'application/octet-stream', 'x-file-name': 'prices.csv' },
    data: Buffer.from('Part,Title,Price\nQC-1,8GB DDR4-2666 SO-DIMM,21.50\n'),
  });
  expect(list.ok()).toBe(true);
  const { id: listId } = await list.json();
  const stateOfList = async () =>
    (await one<{ state: string }>(pool(), 'select state from price_list where id = $1', [listId])).state;
  while (['arriving', 'reading'].includes(await stateOfList())) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(await stateOfList()).toBe('looked-at');
  const picture = await browserLess.post(`/api/jobs/${made.id}/pictures?at=intake`, {
    headers: { 'content-type': 'application/octet-stream', 'x-file-name': 'label.heic' },
    data: readFileSync(join(ROOT, 'outward', 'testing', 'label.heic')),
  });
  expect(picture.ok()).toBe(true);
  const jobs = await many<{ id: number }>(pool(), 'select id from job order by id');
  const [token = ''] = (await Promise.all(jobs.map(({ id }) => stateOf(id)))).flatMap(({ links }) =>
    [...links.values()].map((link) => link.token),
  );
  const page = await (await browserLess.get(`/q/${token}`)).text();
  for (const [, path = ''] of page.matchAll(/(?:href|src)="(\/customer\/[^"]+)"/g))
    expect([path, (await browserLess.get(path)).status()]).toEqual([path, 200]);
  const pdf = await (await browserLess.get(`/q/${token}/pdf`)).body();
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.toString('latin1')).toContain('Archivo');
  await browserLess.dispose();
}

async function walkIn(folder: string): Promise<void> {
  const app = await App.open({}, { folder });
  try {
    await walk(app);
  } finally {
    await app.close();
  }
}

test('the built application runs from a folder that holds the output and packages for use', async () => {
  const folder = outputWithLinks();
  for (const source of ['app', 'core', 'service', 'ui', 'demo', 'e2e', 'node_modules/tsx', 'node_modules/esbuild'])
    expect([source, existsSync(join(folder, source))]).toEqual([source, false]);
  await walkIn(folder);
});

test('its command and its programs ask for nothing but packages for use', async () => {
  const about = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
  const packageOf = (path: string) => path.split('/', path.startsWith('@') ? 2 : 1).join('/');
  const unmet = (await bundlePrograms()).map(packageOf).filter((name) => !(name in about.dependencies));
  expect(unmet).toEqual([]);
  const cases = join(ROOT, 'core', 'planning', 'cases', 'library-kiosk.case.json');
  const plans = execFileSync(process.execPath, [
    join(home, 'linked', '.next', 'fenbrik', 'fenbrik.mjs'),
    'plan',
    cases,
  ]);
  expect(JSON.parse(plans.toString()).plans.length).toBeGreaterThan(0);
});

inLongRun('the same with what npm installs there', async () => {
  const folder = join(home, 'installed');
  writeOutput(folder);
  execFileSync('npm', ['ci', '--omit=dev', '--no-audit', '--no-fund', '--prefer-offline'], {
    cwd: folder,
    stdio: 'ignore',
  });
  expect(readdirSync(join(folder, 'node_modules'))).not.toContain('tsx');
  await walkIn(folder);
});
