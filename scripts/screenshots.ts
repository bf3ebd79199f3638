import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium } from 'playwright-core';
import { App } from '../e2e/app';
import { acceptSpoken } from '../service/accept';
import { beginFitting, tickStep } from '../service/fitting';
import { showJob } from '../service/job-state';
import { closePool, pool } from '../store/database';
import { migrate } from '../store/migrate';
import { findForSignIn } from '../store/staff';
import { needBuild } from './build';
import { openCluster } from './cluster';
import { jobLink } from './job-link';
import { loadDemoAt } from './load-demo';
import { ROOT, say } from './setup.mjs';
import { makeDemoTemplate, makeTemplate } from './test-database';

/* npm run screenshots: one current picture of each main view in docs/screenshots, from the demo shop. */

interface Shot {
  name: string;
  path: string;
  light?: 'back-room';
  /** pressed before the picture is taken */
  press?: string;
  /** keys that are pressed after that */
  keys?: readonly string[];
  /** typed into the report field before */
  type?: string;
  /** focused before */
  focus?: string;
  width?: number;
}

const MARK_16 = '[data-rung="16384"] .plan-mark[aria-label*="third-party"]';
const MARK_64 = '[data-rung="65536"] .plan-mark[aria-label*="third-party"]';
const MARK_24 = '[data-rung="24576"] .plan-mark[aria-label*="third-party"]';

const SHOTS: readonly Shot[] = [
  { name: 'counter', path: '/counter' },
  { name: 'intake', path: '/jobs/1/intake' },
  { name: 'limits', path: '/jobs/5/limits' },
  { name: 'options', path: '/jobs/1/options', press: MARK_16 },
  { name: 'options-back-room', path: '/jobs/5/options', light: 'back-room', press: MARK_64 },
  { name: 'options-plan', path: '/jobs/3/options', press: MARK_24, keys: ['Enter'] },
  {
    name: 'options-compare',
    path: '/jobs/3/options',
    press: MARK_24,
    keys: ['c', 'ArrowUp', 'c', 'ArrowUp', 'c', 'v'],
  },
  { name: 'options-table', path: '/jobs/1/options', keys: ['t'] },
  { name: 'options-customer', path: '/jobs/2/customer' },
  { name: 'quote', path: '/jobs/2/quote' },
  { name: 'fitting', path: '/jobs/5/fitting', width: 1024 },
  { name: 'orders', path: '/orders' },
  { name: 'proof', path: '/jobs/6/proof' },
  { name: 'models', path: '/models' },
  { name: 'model', path: '/models/4', light: 'back-room' },
  { name: 'settings', path: '/settings', light: 'back-room' },
  { name: 'offers', path: '/offers' },
  { name: 'market', path: '/offers/market?kind=2' },
];

async function shoot(context: BrowserContext, base: string, shot: Shot): Promise<void> {
  const page = await context.newPage();
  await page.setViewportSize({ width: shot.width ?? 1280, height: 800 });
  await context.addCookies([{ name: 'fenbrik-light', value: shot.light ?? 'day', url: base }]);
  await page.goto(base + shot.path);
  await page.waitForLoadState('networkidle');
  if (shot.press !== undefined) await page.locator(shot.press).first().click();
  for (const key of shot.keys ?? []) {
    await page.keyboard.press(key);
    // What is laid over the work is fetched first.
    await page.waitForTimeout(400);
  }
  if (shot.type !== undefined) await page.getByLabel('What does the machine say?').fill(shot.type);
  if (shot.focus !== undefined) {
    await page.locator(shot.focus).focus();
    await page.getByRole('tooltip').waitFor();
  }
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${shot.name}.png`) });
  await page.close();
}

/** The photo club's box on the bench, its parts on the way; the ferry office's yes. */
async function atTheBench(): Promise<void> {
  const member = await findForSignIn(pool(), 'teo');
  if (member === null) throw new Error('the demo technician is missing');
  const caller = { ...member, counterSeesCost: false };
  for (const [job, signed] of [
    [5, 'Lisbet Arkwright'],
    [7, 'Jonas Pell'],
  ] as const) {
    const [option] = (await showJob(job))?.sent[0]?.snapshot.options ?? [];
    await acceptSpoken(caller, job, { place: 1, signed, ticked: option?.statements ?? [] });
  }
  const begun = await beginFitting(caller, 5);
  if (!begun.ok) throw new Error(begun.sentence);
  const steps = (await showJob(5))?.work.fittings[0]?.steps ?? [];
  const before = steps.findIndex(({ phase }) => phase === 'in') + 1;
  for (const { key } of steps.slice(0, before)) {
    await tickStep(caller, 5, begun.value.id, { what: 'done', step: key });
  }
}

// The demo's links are made here and looked up by the application.
process.env.FENBRIK_KEY = randomBytes(32).toString('hex');
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-shots-'));
chmodSync(folder, 0o755);
needBuild();
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off']);
await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
await makeTemplate(cluster.url);
await makeDemoTemplate(cluster.url, loadDemoAt);
process.env.FENBRIK_TEST_URL = cluster.url;
const app = await App.open();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const context = await browser.newContext({ reducedMotion: 'reduce' });
await context.request.post(`${app.base}/api/sign-in`, { data: { name: 'runa', password: 'petrel-street' } });
process.env.DATABASE_URL = app.databaseUrl;
await atTheBench();
for (const shot of SHOTS) await shoot(context, app.base, shot);
const link = await jobLink(7);
await closePool();
await shoot(context, app.base, { name: 'customer-quote', path: `/q/${link}` });
await browser.close();
await app.close();
cluster.stop();
rmSync(folder, { recursive: true, force: true });
say('docs/screenshots is up to date');
