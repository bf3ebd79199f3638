import type { Page } from 'playwright-core';
import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

const slip = (page: Page) => page.getByLabel('Draft quote');
const faded = (page: Page) => page.locator('.plan-mark > g[opacity="0.34"]').count();

/** A job of the demo shop on its ladder. */
async function onLadder(job: number, query = '') {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${job}/options${query}`);
  await ladderDrawn(page);
  return { page, context, faults };
}

/** Presses Tab until something is focused. */
async function tabTo(page: Page, selector: string): Promise<void> {
  for (let presses = 0; presses < 80; presses++) {
    await page.keyboard.press('Tab');
    if (await page.evaluate((wanted) => document.activeElement?.matches(wanted) ?? false, selector)) return;
  }
  throw new Error(`Tab never comes to ${selector}`);
}

/** Where the middle of a grip stands once the rows, whose lines may be of another length now, have come to rest. */
async function restingAt(page: Page, grip: string): Promise<{ x: number; y: number }> {
  const slider = page.getByRole('slider', { name: grip });
  let before = '';
  for (let looks = 0; looks < 100; looks++) {
    const box = await slider.boundingBox();
    if (box === null) throw new Error(`no ${grip}`);
    const now = JSON.stringify(box);
    if (now === before) return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    before = now;
    await page.waitForTimeout(300);
  }
  throw new Error(`${grip} never rests`);
}

async function dragBy(page: Page, grip: string, dx: number, dy: number): Promise<void> {
  const { x, y } = await restingAt(page, grip);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 });
  await page.mouse.move(x + dx, y + dy, { steps: 4 });
  await page.mouse.up();
}

test('by keyboard alone: the lines moved, a plan opened, three compared, three options on the slip', async () => {
  const { page, context, faults } = await onLadder(1);
  await tabTo(page, '[aria-label="Line for the budget"]');
  await page.keyboard.press('Delete');
  await page.waitForURL(/need=16384/);
  await tabTo(page, '.plan-mark');
  const first = await page.evaluate(() => document.activeElement?.getAttribute('data-plan'));
  await page.keyboard.press('Enter');
  await page.getByLabel('Selected plan').waitFor();
  await page.keyboard.press('1');
  await slip(page).locator('li').nth(0).getByText(/GB/).first().waitFor();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog');
  await sheet.getByText('What to do').waitFor();
  await sheet.getByText(/^Runs at \d+ MT\/s/).waitFor();
  await page.keyboard.press('Escape');
  await sheet.waitFor({ state: 'detached' });
  // The focus is back where it was.
  await page.keyboard.press('c');
  await page.locator(`.plan-mark[data-plan="${first}"]`).focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('2');
  await slip(page).locator('li').nth(1).getByText(/GB/).first().waitFor();
  await page.keyboard.press('c');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('3');
  await slip(page).locator('li').nth(2).getByText(/GB/).first().waitFor();
  await page.keyboard.press('c');
  await page.keyboard.press('v');
  const side = page.getByRole('dialog', { name: 'Compare' });
  await side.getByRole('columnheader').nth(2).waitFor();
  expect(await side.getByRole('columnheader').count()).toBe(3);
  expect(await side.locator('ol li').allInnerTexts()).toEqual([
    expect.stringMatching(/^\+€.* buys /),
    expect.stringMatching(/^\+€.* buys /),
  ]);
  await page.keyboard.press('Escape');
  await side.waitFor({ state: 'detached' });
  // Enter on a button presses that, though a plan is looked at.
  await page.getByRole('button', { name: 'Table', exact: true }).press('Enter');
  await page.locator('tbody tr').first().waitFor();
  expect(await page.getByRole('dialog').count()).toBe(0);
  await page.keyboard.press('t');
  await ladderDrawn(page);
  await page.keyboard.press('?');
  await page.getByRole('dialog', { name: 'Keys' }).getByText('along the rung by price').waitFor();
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  await page.keyboard.press('x');
  await page.waitForURL(/\/jobs\/\d+\/customer$/);
  const turned = page.getByRole('main');
  await turned.getByRole('img', { name: /^Today 8 GB.* 3: \d+ GB/ }).waitFor();
  expect(await turned.innerText()).not.toMatch(/margin|cost|seller|CL17|MT\/s/i);
  // Neither is it in what the page carries: a page of its own, and no sheet over the staff's.
  expect(await page.content()).not.toMatch(/costCents|marginCents|supplies|Quayside Components/);
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.waitForURL(/\/options/);
  expect(faults).toEqual([]);
  await context.close();
}, 300_000);

test('by mouse: the lines are dragged, going back undoes that, the job remembers, and the suggestions go on the slip', async () => {
  const { page, context, faults } = await onLadder(3);
  const before = await faded(page);
  await dragBy(page, 'Line for the budget', -560, 0);
  await page.waitForURL(/budget=\d+/);
  expect(await faded(page)).toBeGreaterThan(before);
  await page.goBack();
  await page.waitForURL((url) => !url.search.includes('budget'));
  await page.waitForFunction(
    (count) => document.querySelectorAll('.plan-mark > g[opacity="0.34"]').length === count,
    before,
  );
  await page.goForward();
  await page.waitForURL(/budget=\d+/);
  // The address is there before the picture: what is dragged next may still move.
  await page.waitForFunction(
    (count) => document.querySelectorAll('.plan-mark > g[opacity="0.34"]').length > count,
    before,
  );
  const budget = /budget=(\d+)/.exec(page.url())?.[1];
  await dragBy(page, 'Line for the need', 0, -90);
  await page.waitForURL((url) => !url.search.includes('need=24576'));
  const need = /need=(\d+)/.exec(page.url())?.[1];
  expect(Number(need)).toBeGreaterThan(24576);
  // A lane is left out by its switch: the planner is asked, and no such plan is left.
  await page.getByRole('button', { name: 'mixed', exact: true }).click();
  await page.waitForURL(/without=mixed/);
  await page.waitForFunction(() => document.querySelector('.plan-mark[aria-label*=", mixed,"]') === null);
  // The job remembers, without anything in the address.
  const kept = page.waitForResponse(
    (response) => response.ok() && response.request().postData()?.includes('"freeSlots":1') === true,
  );
  await page.getByLabel('Slots left free').selectOption('1');
  await kept;
  await page.goto(`/jobs/${JOBS.vets}/options`);
  await ladderDrawn(page);
  expect(await page.getByLabel('Slots left free').inputValue()).toBe('1');
  expect(await page.getByRole('button', { name: 'mixed', exact: true }).getAttribute('aria-pressed')).toBe('false');
  expect(await page.getByRole('slider', { name: 'Line for the budget' }).getAttribute('aria-valuenow')).toBe(
    String(Number(budget) / 100),
  );
  await page.getByLabel('Slots left free').selectOption('0');
  await page.getByRole('slider', { name: 'Line for the budget' }).press('Delete');
  await page.getByLabel('Needs at least').first().fill('24');
  await page.getByLabel('Needs at least').first().press('Enter');
  await page.getByRole('button', { name: 'Add all to quote' }).click();
  await slip(page).locator('li').nth(2).getByText(/GB/).first().waitFor();
  expect(faults).toEqual([]);
  await context.close();
}, 300_000);

test('the table has the same plans and selection, sorts, and is copied', async () => {
  const { page, context } = await onLadder(1, '?open=');
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.keyboard.press('t');
  const rows = page.locator('tbody tr');
  await rows.first().waitFor();
  await page.getByRole('button', { name: 'Saving' }).click();
  await page.getByRole('button', { name: 'Saving' }).click();
  expect(await page.getByRole('columnheader', { name: 'Saving' }).getAttribute('aria-sort')).toBe('descending');
  await rows.first().click();
  await page.keyboard.press('ArrowDown');
  expect(await rows.nth(1).getAttribute('aria-selected')).toBe('true');
  await page.keyboard.press('2');
  await slip(page).locator('li').nth(1).getByText(/GB/).first().waitFor();
  await page.getByRole('button', { name: 'Copy as CSV' }).click();
  await page.getByText(/\d+ plans copied/).waitFor();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split('\r\n')[0]).toBe('Total,Price,Per added GB,Saving,Origin,Caution,MT/s,Free,Days,To buy');
  expect(copied.split('\r\n').length).toBe((await rows.count()) + 2);
  await context.close();
}, 300_000);

test('why not: a refused offer, and a wish that nothing meets with what comes nearest', async () => {
  const { page, context } = await onLadder(1);
  await page.keyboard.press('w');
  const sheet = page.getByRole('dialog', { name: 'Why is an offer missing?' });
  await sheet.locator('li button').first().click();
  await sheet.getByText(/^It /).first().waitFor();
  await sheet.getByLabel('Offer or wish').fill('64 GB under 100');
  await sheet.getByText('No plan meets these wishes. The nearest').waitFor();
  await sheet.getByText(/over the budget/).waitFor();
  await page.keyboard.press('Escape');
  await page.goto(`/jobs/${JOBS.bakery}/options?need=262144`);
  await page.getByText('No plan meets these wishes.').waitFor();
  await page.getByText(/less than wanted/).waitFor();
  await context.close();
}, 300_000);

test('with the network gone what is on the screen stays steerable, and the job is told later', async () => {
  const { page, context } = await onLadder(2);
  await context.setOffline(true);
  await page.getByLabel('Needs at least').first().fill('32');
  await page.getByLabel('Needs at least').first().press('Enter');
  await page.waitForURL(/need=32768/);
  await page.getByText('Not saved yet').waitFor();
  expect(await faded(page)).toBeGreaterThan(0);
  const told = page.waitForResponse((response) => response.url().endsWith('/steering') && response.ok());
  await context.setOffline(false);
  await told;
  await page.getByText('Not saved yet').waitFor({ state: 'detached' });
  await context.close();
}, 300_000);

test('an address that makes no sense opens the ladder all the same', async () => {
  const { page, context, faults } = await onLadder(1, '?need=-1&budget=much&without=gold&plan=nobody&rate=1e9');
  expect(await page.getByLabel('Selected plan').count()).toBe(0);
  expect(faults).toEqual([]);
  await context.close();
}, 300_000);

test('offers that cannot be read are said, asked for again, and a key that nobody knows any more brings what there is now', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.route(/\/api\/jobs\/1\/market\//, (route) => route.abort());
  await page.goto(`/jobs/${JOBS.bakery}/options`);
  await page.getByText('The offers could not be loaded.').waitFor();
  expect(await page.getByLabel('Slot board').isVisible()).toBe(true);
  await page.unroute(/\/api\/jobs\/1\/market\//);
  await page.getByRole('button', { name: 'Try again' }).click();
  await ladderDrawn(page);
  const key = await page.locator('link[rel="preload"][as="fetch"]').getAttribute('href');
  const known = await page.request.get(key ?? '');
  const unknown = await page.request.get(`/api/jobs/${JOBS.bakery}/market/nobody-knows-it`);
  expect(known.headers()['cache-control']).toContain('immutable');
  expect(unknown.headers()['cache-control']).toBe('private, no-cache');
  // One mark means one text, whichever process made it.
  const { etag = '' } = known.headers();
  expect(unknown.headers().etag).toBe(etag);
  expect((await page.request.get(key ?? '', { headers: { 'if-none-match': etag } })).status()).toBe(304);
  expect(await unknown.json()).toEqual(await known.json());
  expect((await page.request.get('/api/jobs/99999/market/x')).status()).toBe(404);
  expect((await (await context.browser()?.newContext())?.request.get(`${stage.app.base}${key}`))?.status()).toBe(401);
  expect(faults.filter((fault) => !/ERR_FAILED|market/.test(fault))).toEqual([]);
  await context.close();
});
