import type { Locator } from 'playwright-core';
import { drawn, photographed } from '../outward/testing/made-photo';
import { amount } from '../testing/amount';
import { axeFindings } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';

const stage = openStage();

/** What a quick thumb needs for an action, ms. */
const THUMB_MS = amount(50, 400);

test('by touch on a telephone: the machine’s label and its module’s, three options, a sent quote', async () => {
  const context = await stage.browser.newContext({
    baseURL: stage.app.base,
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  });
  context.setDefaultTimeout(Number(process.env.FENBRIK_TEST_PATIENCE ?? 120_000));
  await signIn(context, stage.app.base);
  const page = await context.newPage();
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(String(error)));
  const lid = await photographed(
    await drawn({ lines: ['Tarnholt Counter 4', 'Model TC4-1900', 'S/N: TC4-70417'], size: 40 }),
    { turned: 90, noise: 6, shade: 0.3 },
  );
  const module = await photographed(
    await drawn({ lines: ['Vellamo', '8GB 1Rx8 PC4-2400T-UA1-11', 'P/N: VE4D8-2400'] }),
    { perspective: 0.08, noise: 8, blur: 0.6 },
  );
  const named = (name: string | RegExp): Locator => page.getByRole('button', { name });
  const photo = page.getByRole('region', { name: 'Photo', exact: true });
  let actions = 0;
  const act = async (what: () => Promise<unknown>) => {
    actions++;
    await page.waitForTimeout(THUMB_MS);
    await what();
  };
  const take = (name: string, buffer: Buffer) =>
    act(() =>
      page.getByLabel('Photo', { exact: true }).first().setInputFiles({ name, mimeType: 'image/jpeg', buffer }),
    );
  /** Answers what is asked of the words: the first spelling offered. */
  const answerWords = async () => {
    for (const group of await photo.getByRole('group').all()) await act(() => group.getByRole('button').first().tap());
  };
  await page.goto('/counter');
  await named('New job').waitFor();
  const from = performance.now();
  await act(() => named('New job').tap());
  await page.waitForURL(/\/intake/);
  await named('Take a photo').waitFor();
  await take('lid.jpg', lid);
  const machine = photo.getByRole('button', { name: /^It is this Tarnholt Counter 4/ }).first();
  await machine.waitFor();
  expect(await axeFindings(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  // Its signs may be others: the serial is nobody's before it was looked at.
  expect(await machine.innerText()).not.toContain('TC4-70417');
  await act(() => photo.getByRole('button', { name: 'TC4-70417', exact: true }).tap());
  await photo
    .getByRole('button', { name: /serial TC4-70417/ })
    .first()
    .waitFor();
  await act(() => machine.tap());
  await page.getByRole('heading', { name: 'Tarnholt Counter 4' }).waitFor();
  await photo.waitFor({ state: 'detached' });
  await take('module.jpg', module);
  await named('It is a module’s label').waitFor();
  await answerWords();
  await act(() => named('It is a module’s label').tap());
  await photo.waitFor({ state: 'detached' });
  await page.getByLabel('Slot board').getByRole('button', { name: /8 GB/ }).first().waitFor();
  expect(await page.getByLabel('Serial number', { exact: true }).inputValue()).toBe('TC4-70417');
  // Who it is for is not counted.
  await page.getByLabel('Name', { exact: true }).fill('Signe Brandt');
  await page.getByLabel('Telephone').fill('0555 0199');
  // The questions that are left.
  const ask = page.getByRole('region', { name: 'Question' });
  await page.waitForTimeout(500);
  for (let nr = 0; nr < 5 && (await ask.count()) > 0; nr++) {
    const question = await ask.innerText();
    await act(() => ask.getByRole('button').first().tap());
    await page.waitForFunction(
      (before) => (document.querySelector('[aria-label="Question"]') as HTMLElement | null)?.innerText !== before,
      question,
    );
  }
  await act(() => page.getByRole('link', { name: 'Continue to Limits' }).tap());
  await act(() => named('Confirm limits and continue').tap());
  await page.getByLabel('Suggested').locator('li').nth(2).waitFor();
  await act(() => named('Add all to quote').tap());
  await page.getByRole('region', { name: 'Draft quote' }).locator('li').nth(2).getByText(/GB/).first().waitFor();
  await act(() => page.getByRole('link', { name: 'Go to quote' }).tap());
  await act(() => named('Send 3 options to Signe Brandt').tap());
  await page.getByText(/Quote 20\d\d-\d{4} is sent/).waitFor();
  const seconds = (performance.now() - from) / 1000;
  console.log(`telephone: ${actions} actions, each after ${THUMB_MS} ms, ${seconds.toFixed(1)} s`);
  expect(actions).toBeLessThanOrEqual(20);
  expect(seconds).toBeLessThan(90);
  expect(faults).toEqual([]);
  await context.close();
}, 300_000);
