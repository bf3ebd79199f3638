import { openWindow, signIn } from './browser';
import { openStage } from './stage';

const stage = openStage();

test.each([
  [1024, 768],
  [800, 1180],
])('at %i x %i nothing is cut off sideways, and board and slip stay', async (width, height) => {
  const { page, context } = await openWindow(stage.browser, stage.app.base, { width, height });
  await signIn(context, stage.app.base);
  for (const station of ['intake', 'limits', 'options', 'quote', 'fitting', 'proof']) {
    await page.goto(`/jobs/2/${station}`);
    await page.getByLabel('Slot board').first().waitFor();
    expect(await page.getByLabel('Slip', { exact: true }).isVisible()).toBe(true);
    const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(sideways).toBeLessThanOrEqual(0);
  }
  await context.close();
});
