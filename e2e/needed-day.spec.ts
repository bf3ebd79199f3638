import type { Page } from 'playwright-core';
import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

const faded = (page: Page) => page.locator('.plan-mark > g[opacity="0.34"]').count();
/** A calendar day so many days from now, where the shop is: its zone is the machine's or beside it. */
const dayIn = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('plans that come after the day on which it is needed are pale and say by how much; suggestions and the list heed it', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.bakery}/options?open=`);
  await ladderDrawn(page);
  const before = await faded(page);
  await page.goto(`/jobs/${JOBS.bakery}/intake`);
  const by = page.getByLabel('Needed by');
  const saved = page.waitForResponse((response) => response.url().includes('/intake') && response.ok());
  await by.fill(dayIn(2));
  await by.blur();
  await saved;
  await page.goto(`/jobs/${JOBS.bakery}/options?open=`);
  await ladderDrawn(page);
  await page.getByText(/^needed by \d+ \w+ \d{4}$/).waitFor();
  expect(await faded(page)).toBeGreaterThan(before);
  // One that takes five days comes three days late, give or take a day between zones.
  const late = page.locator('.plan-mark:has(> g[opacity="0.34"])').first();
  await late.focus();
  await page.keyboard.press(' ');
  await page
    .getByLabel('Selected plan')
    .getByText(/^△ [1-9] days? too late: it is needed by /)
    .waitFor();
  expect(await axeFindings(page)).toEqual([]);
  // What is suggested comes in time.
  const suggested = page
    .getByText('Suggested')
    .locator('..')
    .getByRole('button', { name: /enough|comfortable|most/ });
  expect(await suggested.count()).toBeGreaterThan(0);
  for (let nr = 0; nr < (await suggested.count()); nr++) {
    await suggested.nth(nr).click();
    await page.getByLabel('Selected plan').waitFor();
    expect(await page.getByLabel('Selected plan').getByText('too late').count()).toBe(0);
  }
  await page.goto('/counter');
  await page.getByRole('link', { name: 'By day needed' }).click();
  await page.waitForURL(/by=needed/);
  // It is the only one with a day, so it comes first of all.
  const row = page.locator('.job-row').first();
  expect(await row.textContent()).toContain('Fairlie’s Bakery');
  expect(await row.textContent()).toMatch(/needed by \d+ \w+ \d{4}/);
  await page.getByRole('link', { name: 'By last change' }).waitFor();
  expect(faults).toEqual([]);
  await context.close();
});
