import { closePool, pool } from '../store/database';
import { axeFindings, openWindow } from '../testing/browser/browser';
import { layoutFaults } from '../testing/browser/layout-faults';
import { signIn } from '../testing/browser/sign-in';
import { openStage, type Stage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';
import { jobLink } from '../testing/job-link';
import { LANGUAGE_COOKIE } from '../ui/words/language-cookie';
import { inLongRun } from './in-long-run';

/** Every screen, with what has to be there before it counts as drawn. */
const SCREENS: readonly [name: string, path: string, ready: string][] = [
  ['counter', '/counter', 'text=Fairlie’s Bakery'],
  ['models', '/models', 'text=Export CSV'],
  ['models, found', '/models?find=countr+4', 'text=2018–2020'],
  ['a model', '/models/1', 'text=How to open it'],
  ['offers', '/offers', '[aria-label^="Change price"]'],
  ['what memory costs', '/offers/market', 'text=Fair price of a module'],
  ['settings', '/settings', 'text=What people need'],
  ['moving in', '/moving-in', 'text=Customers and machines'],
  ['closed jobs', '/counter/closed', 'text=Open jobs'],
  ['invoices', '/counter/invoices', 'text=No invoice is open'],
  ['help', '/help', 'text=For technicians'],
  ['help, a document', '/help/readings', 'text=SMBIOS'],
  ['people', '/people', 'text=Add a person'],
  ['intake', `/jobs/${JOBS.bakery}/intake`, 'text=Customer'],
  ['intake, nothing known', `/jobs/${JOBS.tilde}/intake`, 'text=No machine yet'],
  ['intake, here before', `/jobs/${JOBS.secondTill}/intake`, 'text=same telephone number'],
  ['limits', `/jobs/${JOBS.bakery}/limits`, 'text=What this machine supports'],
  ['limits with conflicts', `/jobs/${JOBS.photoClub}/limits`, 'text=the sources disagree'],
  ['limits of 32 sockets', `/jobs/${JOBS.harbour}/limits`, 'text=32 slots in 16 channels'],
  ['limits with a question', `/jobs/${JOBS.allotment}/limits`, 'text=How fast is the module'],
  ['options', `/jobs/${JOBS.bakery}/options`, '[data-rung]'],
  ['options, waiting', `/jobs/${JOBS.tilde}/options`, 'text=The ladder appears once'],
  ['what to buy', `/jobs/${JOBS.choir}/what-to-buy`, 'article dl'],
  ['quote, draft', `/jobs/${JOBS.choir}/quote`, 'text=This goes to the customer'],
  ['quote, sent', `/jobs/${JOBS.photoClub}/quote`, 'text=Customer’s page'],
  ['fitting, not accepted', `/jobs/${JOBS.photoClub}/fitting`, 'text=waits for the customer’s answer'],
  ['fitting, done', `/jobs/${JOBS.library}/fitting`, 'text=All is done'],
  ['proof, waiting', `/jobs/${JOBS.photoClub}/proof`, 'text=compared with the promise here'],
  ['proof, signed', `/jobs/${JOBS.library}/proof`, 'text=The promise is kept'],
  ['orders', '/orders', 'text=Nothing to order'],
  ['an order', '/orders/1', 'text=without shipping'],
  ['not found', '/jobs/999/intake', 'text=Page not found'],
];

/** Windows that people work in, px: a desk, a small desk, a bench tablet; and a phone. */
const WIDE = [1280, 1024, 820];
const PHONE = 390;

/** The plan that is looked at, and sheets over the work, one after the other in a window. */
async function lookAtSheets(stage: Stage, light: 'day' | 'back-room'): Promise<void> {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base, { light });
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.bakery}/options`);
  await page.locator('[data-rung] .plan-mark').first().click();
  await page.getByLabel('Selected plan').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: /A2, channel A.*Change this slot/ }).click();
  await page.getByRole('dialog').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.goto(`/jobs/${JOBS.bakery}/limits`);
  await page.getByRole('button', { name: 'Sources and decision: Maximum total: official' }).click();
  await page.getByRole('dialog').getByText('Add what a document says').click();
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Record a test' }).click();
  await page.getByRole('dialog', { name: 'Record a test' }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.goto('/models/1');
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  await page.getByRole('dialog').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.goto(`/jobs/${JOBS.secondTill}/intake`);
  await page.getByLabel('What does the machine say?').fill('tarnhlt countr 4');
  await page.getByText('Which year is on the label?').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.goto('/offers');
  await page
    .getByRole('button', { name: /^Change price/ })
    .first()
    .click();
  await page.getByRole('dialog', { name: 'New price' }).getByRole('textbox').first().fill('20.00');
  expect(await axeFindings(page)).toEqual([]);
  await context.clearCookies({ name: 'fenbrik-session' });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('dialog', { name: 'Your session has ended' }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
}

/** Declares the tests of every screen in one light; each light is a file of its own, so that they run side by side. */
export function lookAtEverything(light: 'day' | 'back-room'): void {
  const stage = openStage();
  // One window for all screens of a light: signing in for each would take longer than looking at it.
  let quotePath: string;
  beforeAll(async () => {
    process.env.DATABASE_URL = stage.app.databaseUrl;
    const { rows } = await pool().query<{ job: number }>(
      "select job_id as job from quote where state = 'sent' order by id limit 1",
    );
    quotePath = `/q/${await jobLink(rows[0]?.job ?? 0)}`;
    await closePool();
  });

  let shared: Awaited<ReturnType<typeof openWindow>>;
  beforeAll(async () => {
    shared = await openWindow(stage.browser, stage.app.base, { light });
    await signIn(shared.context, stage.app.base, 'runa');
  });
  afterAll(() => shared.context.close());

  // In `npm test` each screen is looked at on a phone in one of the two lights and on a wider window in the other; in the
  // long run at every width in both.
  const isWhole = process.env.FENBRIK_LONG === '1';
  const looks = SCREENS.flatMap(([name, path, ready], nr) => {
    const onPhone = (nr % 2 === 0) === (light === 'day');
    const widths = isWhole ? [...WIDE, PHONE] : [onPhone ? PHONE : (WIDE[nr % WIDE.length] ?? PHONE)];
    return widths.map((width) => [name, width, path, ready] as const);
  });
  test.each(looks)('%s at %i px: axe finds nothing, and all of it fits', async (_, width, path, ready) => {
    const { page, faults } = shared;
    await page.setViewportSize({ width, height: width === PHONE ? 844 : 800 });
    await page.goto(path);
    await page.locator(ready).first().waitFor();
    expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe(light);
    expect(await axeFindings(page)).toEqual([]);
    expect(await layoutFaults(page)).toEqual([]);
    expect(faults).toEqual([]);
  });

  // German words are longer: they have to fit, too.
  const germanWidths = isWhole ? [...WIDE, PHONE] : [light === 'day' ? PHONE : 1024];
  test.each(germanWidths)('the screens in German at %i px: all of it fits', async (width) => {
    const { page, context, faults } = await openWindow(stage.browser, stage.app.base, { light, width });
    await context.addCookies([{ name: LANGUAGE_COOKIE, value: 'de', url: stage.app.base }]);
    await signIn(context, stage.app.base, 'runa');
    const found: string[] = [];
    // In `npm test` half of them in each light.
    for (const [, path] of SCREENS.filter((_, nr) => isWhole || (nr % 2 === 0) === (light === 'day'))) {
      await page.goto(path);
      await page.locator('#work, main').first().waitFor();
      if (path.endsWith('/options')) await page.locator('[data-rung], #work p').first().waitFor();
      found.push(...(await layoutFaults(page)).map((fault) => `${path}: ${fault}`));
    }
    expect(await page.evaluate(() => document.documentElement.lang)).toBe('de');
    expect(found).toEqual([]);
    expect(faults).toEqual([]);
    await context.close();
  });

  // These are looked at by day; in the other light in the long run.
  const byDay = light === 'day' ? test : inLongRun;
  byDay('the plan that is looked at and every sheet: axe finds nothing', async () => {
    await lookAtSheets(stage, light);
  });

  byDay('the door and the customer’s page, wide and on a telephone: axe finds nothing', async () => {
    for (const width of [1280, 390]) {
      const { page, context, faults } = await openWindow(stage.browser, stage.app.base, { light, width });
      for (const path of ['/sign-in', '/sign-in?wrong=signed-out', quotePath]) {
        await page.goto(path);
        expect(await axeFindings(page)).toEqual([]);
        const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        expect(sideways).toBeLessThanOrEqual(0);
      }
      expect(faults).toEqual([]);
      await context.close();
    }
  });
}
