import { openWindow } from '../testing/browser/browser';
import { layoutFaults } from '../testing/browser/layout-faults';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

test.each([
  [1024, 768],
  [800, 1180],
])('at %i x %i nothing is cut off sideways, and board and slip stay', async (width, height) => {
  const { page, context } = await openWindow(stage.browser, stage.app.base, { width, height });
  await signIn(context, stage.app.base);
  const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  const stations = ['intake', 'limits', 'options', 'quote', 'fitting', 'proof'].map(
    (one) => `/jobs/${JOBS.choir}/${one}`,
  );
  // The library's job is fitted and proved: its list and its points stand there whole.
  for (const path of [...stations, `/jobs/${JOBS.library}/fitting`, `/jobs/${JOBS.library}/proof`]) {
    await page.goto(path);
    await page.getByLabel('Slot board').first().waitFor();
    expect(await page.getByLabel('Draft quote', { exact: true }).isVisible()).toBe(true);
    expect(await sideways()).toBeLessThanOrEqual(0);
  }
  for (const path of ['/orders', '/orders/1']) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    expect(await sideways()).toBeLessThanOrEqual(0);
  }
  await context.close();
});

test('on a telephone in the hand of the staff nothing is cut off sideways', async () => {
  const context = await stage.browser.newContext({
    baseURL: stage.app.base,
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  });
  await signIn(context, stage.app.base);
  const page = await context.newPage();
  for (const path of [
    '/counter',
    `/jobs/${JOBS.choir}/intake`,
    `/jobs/${JOBS.choir}/quote`,
    `/jobs/${JOBS.library}/fitting`,
    '/orders',
    '/models',
  ]) {
    await page.goto(path);
    await page.locator('#work').waitFor();
    expect([path, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([path, 390]);
  }
  await context.close();
});

test('what does not fit is found: sideways, cut words and cut choices; what is short by intent is not', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base, { width: 390 });
  const found = async (html: string): Promise<string[]> => {
    await page.setContent(`<!doctype html><meta name="viewport" content="width=device-width"><body>${html}`);
    return layoutFaults(page);
  };
  expect(await found('<p>short</p>')).toEqual([]);
  expect(await found('<div style="width:600px">a table</div>')).toEqual([
    expect.stringMatching(/^scrolls sideways by \d+ px: div “a table”$/),
  ]);
  const cut = 'width:40px;overflow:hidden;white-space:nowrap';
  expect(await found(`<p style="${cut}">much too long</p>`)).toEqual(['cut: p “much too long”']);
  expect(await found(`<p style="${cut};text-overflow:ellipsis">much too long</p>`)).toEqual([]);
  expect(await found('<select style="width:60px"><option>any rate at all</select>')).toEqual([
    'cut choice: “any rate at all”',
  ]);
  expect(await found('<select><option>any rate at all</select>')).toEqual([]);
  // What is for readers of the screen alone is a pixel wide.
  expect(await found('<p style="position:absolute;width:1px;height:1px;overflow:hidden">said</p>')).toEqual([]);
  await context.close();
});
