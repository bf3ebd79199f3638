import { chmodSync, existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { loadDemoAt } from '../scripts/load-demo';
import { ROOT } from '../scripts/setup.mjs';
import { needBuild } from '../scripts/start/build';
import { openCluster } from '../scripts/start/cluster';
import { closePool, pool } from '../store/database';
import { insertOffer, insertPrice } from '../store/market/offers';
import { migrate } from '../store/migrate';
import { App } from '../testing/browser/app';
import { openBrowser } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { makeDemoTemplate, makeTemplate } from '../testing/database';
import { desktopCase } from './plan-cases';

/*
 * npm run bench-options: how the ladder feels, in Chromium, on a desktop of the demo shop with 2,000 more compatible offers.
 * From a key to the repainted ladder, beside the same on an empty page; the longest task of the main thread; how soon after
 * a cold load the ladder is there; what its scripts weigh.
 */

const JOB = 1;
const OFFERS = 2_000;
const ROUNDS = 60;
/** loads with an empty cache; the first half is not counted */
const LOADS = 16;

const percentile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? Number.NaN;

const kB = (bytes: number): string => `${(bytes / 1000).toFixed(0)} kB`;

function row(name: string, times: readonly number[], share: 0.5 | 0.95, bound: number | null): void {
  const p95 = percentile(times, 0.95);
  const verdict = bound === null ? '' : percentile(times, share) <= bound ? `held (${bound})` : `MISSED (${bound})`;
  console.log(
    `${name.padEnd(46)} median ${percentile(times, 0.5).toFixed(1).padStart(7)} ms, 95 % ${p95.toFixed(1).padStart(7)} ms  ${verdict}`,
  );
}

/** Offers that fit the job's machine, sold by one seller. */
async function fillMarket(): Promise<void> {
  const { rows } = await pool().query<{ id: number }>('select id from seller order by id limit 1');
  const sellerId = rows[0]?.id ?? null;
  for (const [nr, { origin, modules, module, priceCents, stock }] of desktopCase(OFFERS).offers.entries()) {
    const id = await insertOffer(pool(), {
      sellerId,
      sellerPart: `B-${nr}`,
      title: `Bench offer ${nr}`,
      origin,
      modules,
      module,
      stock: stock ?? null,
      note: '',
      modelIds: [],
    });
    await insertPrice(pool(), id, Math.round(priceCents * 0.6), 'bench');
  }
}

/** Run on the page: from the next key or change until what follows from it in a part of the page is painted, ms. */
const PAINTED = `(selector) => new Promise((resolve) => {
  let from = performance.now();
  const note = (event) => { from = event.timeStamp; };
  for (const kind of ['keydown', 'change', 'pointermove']) document.addEventListener(kind, note, { capture: true, once: true });
  const watched = document.querySelector(selector) ?? document.body;
  const observer = new MutationObserver(() => {
    observer.disconnect();
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => resolve(performance.now() - from);
      channel.port2.postMessage(null);
    });
  });
  // What changes nothing of the picture paints nothing.
  setTimeout(() => resolve(-1), 3000);
  observer.observe(watched, { subtree: true, childList: true, attributes: true, characterData: true });
})`;

/** From each press of a key, or step of a drag, until what changed in a part of the page is painted, ms. */
async function fromKeyToPaint(page: Page, part: string, press: (round: number) => Promise<void>): Promise<number[]> {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    // It has to be watching before the key comes.
    await page.evaluate(`void (window.painted = (${PAINTED})(${JSON.stringify(part)}))`);
    await press(round);
    times.push(await page.evaluate<number>('window.painted'));
  }
  const still = times.filter((ms) => ms < 0).length;
  if (still > 0) console.log(`${still} of ${ROUNDS} changed nothing of the picture`);
  return times.slice(5).filter((ms) => ms >= 0);
}

const WATCH = `
window.longest = { duration: 0, startTime: 0 };
new PerformanceObserver((list) => { for (const { duration, startTime } of list.getEntries()) if (duration > window.longest.duration) window.longest = { duration, startTime }; })
  .observe({ type: 'longtask', buffered: true });
window.there = new Promise((resolve) => {
  const look = () => document.querySelector('.plan-mark') === null ? requestAnimationFrame(look) : resolve(performance.now());
  look();
});`;

/** What files of the build weigh in one of the forms that they are sent in, bytes. */
function weight(paths: Iterable<string>, form: 'br' | 'gz'): number {
  let sum = 0;
  for (const path of paths) {
    const file = join(ROOT, path.replace('/_next/', '.next/'));
    sum += statSync(existsSync(`${file}.${form}`) ? `${file}.${form}` : file).size;
  }
  return sum;
}

interface ColdLoad {
  ms: number;
  /** paths of the scripts that the page and its workers ran */
  scripts: ReadonlySet<string>;
  page: Page;
}

async function coldLoad(browser: Browser, base: string): Promise<ColdLoad> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: base });
  await signIn(context, base);
  await context.addInitScript(WATCH);
  const page = await context.newPage();
  const scripts = new Set<string>();
  // A worker's requests are the page's too.
  page.on('response', (response) => {
    const { pathname } = new URL(response.url());
    if (pathname.endsWith('.js')) scripts.add(pathname);
  });
  await page.goto(`/jobs/${JOB}/options`);
  const ms = await page.evaluate<number>('window.there');
  await page.waitForLoadState('networkidle');
  return { ms, scripts, page };
}

/** What a key takes that changes next to nothing: the floor of this machine. */
async function emptyPage(browser: Browser): Promise<void> {
  const empty = await (await browser.newContext()).newPage();
  await empty.setContent('<body>empty</body>');
  await empty.evaluate(
    "document.addEventListener('keydown', () => document.body.setAttribute('data-at', performance.now()))",
  );
  row(
    'an empty page: from key to paint',
    await fromKeyToPaint(empty, 'body', () => empty.keyboard.press('a')),
    0.95,
    null,
  );
  await empty.context().close();
}

/** How soon the ladder follows what steers it. */
async function steeredByHand(page: Page): Promise<void> {
  const budget = page.getByRole('slider', { name: 'Line for the budget' });
  await budget.focus();
  row(
    'budget moved by a key',
    await fromKeyToPaint(page, '.ladder-box', (round) =>
      page.keyboard.press(round % 2 === 0 ? 'Shift+ArrowLeft' : 'Shift+ArrowRight'),
    ),
    0.95,
    50,
  );
  const grip = await budget.boundingBox();
  if (grip === null) throw new Error('there is no budget line to drag');
  const [gripX, gripY] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
  await page.mouse.move(gripX, gripY);
  await page.mouse.down();
  row(
    'budget dragged',
    await fromKeyToPaint(page, '.ladder-box', (round) =>
      page.mouse.move(gripX + (round % 2 === 0 ? 60 : -20) + round, gripY),
    ),
    0.95,
    50,
  );
  await page.mouse.up();
  const need = page.getByRole('slider', { name: 'Line for the need' });
  await need.focus();
  row(
    'need moved by a key',
    await fromKeyToPaint(page, '.ladder-box', (round) => need.press(round % 2 === 0 ? 'ArrowUp' : 'ArrowDown')),
    0.95,
    50,
  );
  const rate = page.getByLabel('Minimum rate');
  const rates = await rate.locator('option').evaluateAll((all) => all.map((one) => (one as HTMLOptionElement).value));
  row(
    'least rate changed, planned again',
    await fromKeyToPaint(
      page,
      '.ladder-box',
      async (round) => void (await rate.selectOption((round % 2 === 0 ? rates.at(-1) : '') ?? '')),
    ),
    0.95,
    50,
  );
  const lane = page.getByRole('list', { name: 'Origin' }).getByRole('button', { name: 'third-party' });
  await lane.focus();
  row(
    'a lane left out and back',
    await fromKeyToPaint(page, '.ladder-box', () => page.keyboard.press('Space')),
    0.95,
    50,
  );
}

async function run(): Promise<void> {
  const app = await App.open();
  process.env.DATABASE_URL = app.databaseUrl;
  await fillMarket();
  const browser = await openBrowser();
  try {
    const { ms: firstMs } = await coldLoad(browser, app.base);
    // A server that has just started has compiled nothing yet: the first load is told, those after it are what a shop sees.
    const loads: number[] = [];
    for (let nr = 0; nr < LOADS; nr++) {
      const load = await coldLoad(browser, app.base);
      if (nr >= LOADS / 2) loads.push(load.ms);
      await load.page.context().close();
    }
    const { scripts, page } = await coldLoad(browser, app.base);
    const marks = await page.locator('.plan-mark').count();
    console.log(`marks drawn: ${marks}`);
    console.log(`first load of a server that has just started: ${firstMs.toFixed(0)} ms`);
    row('cold load until the ladder is there', loads, 0.5, 1000);
    const bytes = weight(scripts, 'br');
    console.log(
      `scripts, compressed: ${kB(bytes)}, the planner’s worker counted in  ${bytes < 200_000 ? 'held' : 'MISSED'} (200); ${kB(weight(scripts, 'gz'))} as gzip`,
    );

    await emptyPage(browser);
    await steeredByHand(page);
    const { duration, startTime } = await page.evaluate<{ duration: number; startTime: number }>('window.longest');
    const verdict = duration <= 100 ? 'held' : 'MISSED';
    const ms = (time: number) => `${time.toFixed(0)} ms`;
    console.log(`longest task of the main thread: ${ms(duration)}, at ${ms(startTime)}  ${verdict} (100)`);
  } finally {
    await browser.close();
    await app.close();
    await closePool();
  }
}

const folder = mkdtempSync(join(tmpdir(), 'fenbrik-bench-'));
chmodSync(folder, 0o755);
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off', 'max_connections=60']);
try {
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  await makeTemplate(cluster.url);
  await needBuild();
  await makeDemoTemplate(cluster.url, loadDemoAt);
  process.env.FENBRIK_TEST_URL = cluster.url;
  await run();
} finally {
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
