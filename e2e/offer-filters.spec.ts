import type { Page } from 'playwright-core';
import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

/** The best plan of each rung, as it is written out. */
const lines = (page: Page) => page.locator('button.narrow').allTextContents();
/** Waits until the ladder holds nothing of this. */
const linesWithout = (page: Page, words: string) =>
  page.waitForFunction((one) => {
    const all = [...document.querySelectorAll('button.narrow')].map(({ textContent }) => textContent ?? '');
    return all.length > 0 && all.every((line) => !new RegExp(one).test(line));
  }, words);
/** The panel of filters, opened. */
async function openFilters(page: Page) {
  await page.locator('details > summary', { hasText: /all offers|filters?/ }).click();
  const panel = page.getByRole('group', { name: 'Offers' });
  await panel.getByText('Module makers').waitFor();
  return panel;
}
const remembered = (page: Page) =>
  page.waitForResponse((answer) => answer.url().includes('/steering') && answer.request().method() === 'PUT');

test('offers are narrowed down by maker, CL, stock and day; the address says so, and the job remembers', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.bakery}/options?open=`);
  await ladderDrawn(page);
  const panel = await openFilters(page);
  expect(await axeFindings(page, 'details[open]')).toEqual([]);
  // Makers of the whole market are listed, not just those that the ladder needs.
  const makers = panel.getByRole('group', { name: /^Module makers/ });
  await makers.getByLabel('Corrick').waitFor();
  // The first ladder comes piece by piece; by now it is whole.
  const before = await lines(page);
  expect(before.join()).toMatch(/Vellamo/);
  const kept = remembered(page);
  await makers.getByLabel('Corrick').check();
  await kept;
  await page.waitForURL(/maker=Corrick/);
  await linesWithout(page, 'Vellamo|Brightlode|Tarnholt');
  await page.locator('summary', { hasText: '1 filter' }).waitFor();
  // Typed and wrong: said at the field, and the ladder stays.
  await panel.getByLabel('Max. CL').fill('fast');
  await panel.getByText('Enter a CL such as 16.').waitFor();
  await panel.getByLabel('Max. CL').fill('17');
  await panel.getByLabel('Known to be in stock').check();
  await page.waitForURL(/maker=Corrick.*cl=17.*in-stock=/);
  await panel.getByText('Offers that do not state a figure are left out.').waitFor();
  await page.locator('summary', { hasText: '3 filters' }).waitFor();
  // As it was left, in another window too.
  await page.waitForTimeout(900);
  await page.goto(`/jobs/${JOBS.bakery}/options`);
  await ladderDrawn(page);
  await page.locator('summary', { hasText: '3 filters' }).waitFor();
  const again = await openFilters(page);
  expect(
    await again
      .getByRole('group', { name: /^Module makers/ })
      .getByLabel('Corrick')
      .isChecked(),
  ).toBe(true);
  expect(await again.getByLabel('Max. CL').inputValue()).toBe('17');
  await again.getByRole('button', { name: 'Clear all filters' }).click();
  await page.locator('summary', { hasText: 'all offers' }).waitFor();
  await page.waitForTimeout(1500);
  expect(await lines(page)).toEqual(before);
  expect(faults).toEqual([]);
  await context.close();
});

test('filters that leave nothing say so, and are lifted by keyboard', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.choir}/options?maker=Nobody+of+Skerrow`);
  await page.locator('.options-station .border-mind').first().waitFor();
  expect(await page.locator('.plan-mark').count()).toBe(0);
  await page.locator('summary', { hasText: '1 filter' }).focus();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('group', { name: 'Offers' });
  // The wanted maker is listed though it has nothing.
  expect(await panel.getByLabel('Nobody of Skerrow').isChecked()).toBe(true);
  await panel.getByRole('button', { name: 'Clear all filters' }).focus();
  await page.keyboard.press('Enter');
  await ladderDrawn(page);
  await page.keyboard.press('Escape');
  expect(await panel.isVisible()).toBe(false);
  expect(faults).toEqual([]);
  await context.close();
});

test('an offer has its own rating and page beside its seller’s', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/offers');
  await page.getByRole('button', { name: 'Edit' }).first().click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Rating of this offer').fill('best of all');
  await sheet.getByLabel('Page of this offer').fill('javascript:alert(1)');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await sheet.getByText('Enter a rating such as 4.6 of 120, or leave blank.').first().waitFor();
  await sheet.getByText('Enter an address that begins with https://').first().waitFor();
  await sheet.getByLabel('Rating of this offer').fill('4.8 of 12');
  await sheet.getByLabel('Page of this offer').fill('https://quayside.example/q-10442');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await sheet.waitFor({ state: 'hidden' });
  await page.getByText('this offer: 4.8 of 5 by 12').waitFor();
  const link = page.getByRole('link', { name: /open the offer’s page$/ });
  expect(await link.getAttribute('href')).toBe('https://quayside.example/q-10442');
  expect(await link.getAttribute('rel')).toContain('noreferrer');
  expect(await axeFindings(page)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
});
