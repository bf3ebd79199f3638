import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, type Page } from 'playwright-core';
import { loadDemoAt } from '../scripts/load-demo';
import { ROOT, say } from '../scripts/setup.mjs';
import { needBuild } from '../scripts/start/build';
import { openCluster } from '../scripts/start/cluster';
import { beginFitting, tickStep } from '../service/job/bench/fitting';
import { showJob } from '../service/job/job-state';
import { acceptSpoken } from '../service/job/quote/accept';
import { openShop } from '../service/shop/open-shop';
import { asTrusted } from '../service/staff/access';
import { closePool, pool } from '../store/database';
import { migrate } from '../store/migrate';
import { findForSignIn } from '../store/staff/staff';
import { App } from './browser/app';
import { makeDemoTemplate, makeTemplate, testDatabase } from './database';
import { JOBS } from './demo-jobs';
import { jobLink } from './job-link';
import { OWN_SHOP } from './own-shop';

/* npm run screenshots: one current picture of each main view in docs/screenshots, from the demo shop, and of the first hour of a new one. */

interface Shot {
  name: string;
  path: string;
  light?: 'back-room';
  /** pressed before the picture is taken */
  press?: string;
  /** what else is done on the screen before */
  act?: (page: Page) => Promise<void>;
  width?: number;
}

const MARK_16 = '[data-rung="16384"] .plan-mark[aria-label*="third-party"]';

/** What stands under a heading is brought to the top. */
const bringUp = (label: string) => async (page: Page) => {
  await page
    .getByLabel(label, { exact: true })
    .evaluate((part) => window.scrollTo(0, part.getBoundingClientRect().top - 80));
};

async function offerByHand(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Add an offer' }).click();
  await page
    .getByLabel('Title with price')
    .fill('Tarnholt 16GB DDR4-2666 CL19 SO-DIMM, genuine, for Lumen 5, 94.00 EUR');
  await page.waitForFunction(() => [...document.querySelectorAll('input')].some((one) => one.value === '94.00'));
}

async function modelOfTemplate(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Add a model' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Maker').fill('Tarnholt');
  await sheet.getByLabel('Model').fill('Gannet 15');
  await sheet.getByLabel('Year').fill('2021');
  await sheet.getByLabel('Largest module').fill('16 GB');
  await sheet.getByLabel('Maximum total').fill('32 GB');
  await sheet.getByLabel('Source').selectOption('maker-page');
  await sheet.locator('button[type=submit]').click();
  await page.waitForURL(/\/models\/\d+/);
  await page.waitForLoadState('networkidle');
}

async function stockOfOne(page: Page): Promise<void> {
  const stock = page.getByLabel('New modules in stock');
  for (const [label, quantity, cost, place] of [
    ['Corrick 8GB DDR4-2666 CL19 SO-DIMM', '6', '19.50', 'drawer 3'],
    ['Vellamo 16GB DDR4-3200 CL22 SO-DIMM', '2', '37.90', 'drawer 3'],
  ] as const) {
    await stock.getByRole('button').first().click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('Module').fill(label);
    await sheet.getByLabel('Quantity').fill(quantity);
    await sheet.getByLabel('Cost of one, without tax').fill(cost);
    await sheet.getByLabel('Location').fill(place);
    await sheet.getByLabel('Minimum').fill('3');
    await sheet.locator('button[type=submit]').click();
    await sheet.waitFor({ state: 'detached' });
    await stock
      .getByText(label.split(' ')[1] ?? '')
      .first()
      .waitFor();
  }
  await bringUp('New modules in stock')(page);
}

const SHOTS: readonly Shot[] = [
  { name: 'counter', path: '/counter' },
  { name: 'intake', path: `/jobs/${JOBS.bakery}/intake` },
  { name: 'limits', path: `/jobs/${JOBS.photoClub}/limits` },
  { name: 'options', path: `/jobs/${JOBS.bakery}/options`, press: MARK_16 },
  { name: 'options-customer', path: `/jobs/${JOBS.choir}/customer` },
  { name: 'quote', path: `/jobs/${JOBS.choir}/quote` },
  { name: 'fitting', path: `/jobs/${JOBS.photoClub}/fitting`, width: 1024 },
  { name: 'orders', path: '/orders' },
  { name: 'proof', path: `/jobs/${JOBS.library}/proof` },
  { name: 'models', path: '/models' },
  { name: 'model-from-template', path: '/models', act: modelOfTemplate },
  { name: 'settings', path: '/settings', light: 'back-room' },
  { name: 'offers', path: '/offers' },
  { name: 'sellers', path: '/offers', act: bringUp('Sellers') },
  { name: 'offer-by-hand', path: '/offers', act: offerByHand },
  { name: 'stock', path: '/offers', light: 'back-room', act: stockOfOne },
  { name: 'market', path: '/offers/market?kind=2' },
];

async function shoot(context: BrowserContext, base: string, shot: Shot): Promise<void> {
  const page = await context.newPage();
  await page.setViewportSize({ width: shot.width ?? 1280, height: 800 });
  await context.addCookies([{ name: 'fenbrik-light', value: shot.light ?? 'day', url: base }]);
  await page.goto(base + shot.path);
  await page.waitForLoadState('networkidle');
  if (shot.press !== undefined) {
    await page.locator(shot.press).first().click();
    // What is selected says its last sentence a moment later.
    await page.getByText(/^Later: /).waitFor();
  }
  await shot.act?.(page);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${shot.name}.png`) });
  await page.close();
}

/** The photo club's box on the bench, its parts on the way; the ferry office's yes. */
async function atTheBench(): Promise<void> {
  const member = await findForSignIn(pool(), 'teo');
  if (member === null) throw new Error('the demo technician is missing');
  const caller = asTrusted({ ...member, counterSeesCost: false });
  for (const [job, signed] of [
    [5, 'Lisbet Arkwright'],
    [7, 'Jonas Pell'],
  ] as const) {
    const [option] = (await showJob(caller, job))?.sent[0]?.snapshot.options ?? [];
    await acceptSpoken(caller, job, { place: 1, signed, ticked: option?.statements ?? [] });
  }
  const begun = await beginFitting(caller, 5);
  if (!begun.ok) throw new Error(begun.sentence);
  const steps = (await showJob(caller, 5))?.work.fittings[0]?.steps ?? [];
  const before = steps.findIndex(({ phase }) => phase === 'in') + 1;
  for (const { key } of steps.slice(0, before)) {
    await tickStep(caller, 5, begun.value.id, { what: 'done', step: key });
  }
}

// The demo's links are made here and looked up by the application.
process.env.FENBRIK_KEY = randomBytes(32).toString('hex');
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-shots-'));
chmodSync(folder, 0o755);
await needBuild();
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off']);
await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
await makeTemplate(cluster.url);
await makeDemoTemplate(cluster.url, loadDemoAt);
process.env.FENBRIK_TEST_URL = cluster.url;
const app = await App.open();
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu'],
});
const context = await browser.newContext({ reducedMotion: 'reduce' });
await context.request.post(`${app.base}/api/sign-in`, { data: { name: 'runa', password: 'petrel-street' } });
process.env.DATABASE_URL = app.databaseUrl;
await atTheBench();
for (const shot of SHOTS) await shoot(context, app.base, shot);
const link = await jobLink(7);
await shoot(context, app.base, { name: 'customer-quote', path: `/q/${link}` });
await closePool();
await app.close();
// A shop that somebody has just opened, with nothing in it.
const own = await App.openOn(await testDatabase());
process.env.DATABASE_URL = own.databaseUrl;
const opened = await openShop(OWN_SHOP);
if (!opened.ok) throw new Error(opened.sentence);
await closePool();
const ownContext = await browser.newContext({ reducedMotion: 'reduce' });
const { signIn, password } = OWN_SHOP.owner;
await ownContext.request.post(`${own.base}/api/sign-in`, { data: { name: signIn, password } });
await shoot(ownContext, own.base, { name: 'first-hour', path: '/counter' });
await browser.close();
await own.close();
cluster.stop();
rmSync(folder, { recursive: true, force: true });
say('docs/screenshots is up to date');
