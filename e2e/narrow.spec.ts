import { openWindow } from './browser';
import { signIn } from './sign-in';
import { openStage } from './stage';

const stage = openStage();

test.each([
  [1024, 768],
  [800, 1180],
])('at %i x %i nothing is cut off sideways, and board and slip stay', async (width, height) => {
  const { page, context } = await openWindow(stage.browser, stage.app.base, { width, height });
  await signIn(context, stage.app.base);
  const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  const stations = ['intake', 'limits', 'options', 'quote', 'fitting', 'proof'].map((one) => `/jobs/2/${one}`);
  // The library's job is fitted and proved: its list and its points stand there whole.
  for (const path of [...stations, '/jobs/6/fitting', '/jobs/6/proof']) {
    await page.goto(path);
    await page.getByLabel('Slot board').first().waitFor();
    expect(await page.getByLabel('Slip', { exact: true }).isVisible()).toBe(true);
    expect(await sideways()).toBeLessThanOrEqual(0);
  }
  for (const path of ['/orders', '/orders/1']) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    expect(await sideways()).toBeLessThanOrEqual(0);
  }
  await context.close();
});
