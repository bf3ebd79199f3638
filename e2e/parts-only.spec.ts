import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { pdfText } from '../testing/browser/pdf-text';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

test('parts to take home: the ladder, the quote, the customer’s page and the bench follow', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.bakery}/options?open=`);
  await ladderDrawn(page);
  await page.getByText('price, fitted').waitFor();
  const lines = () => page.locator('button.narrow strong').allTextContents();
  const before = await lines();
  await page.locator('details > summary', { hasText: /all offers|filters?/ }).click();
  const panel = page.getByRole('group', { name: 'Offers' });
  await panel.getByLabel('Fitting', { exact: true }).selectOption('parts');
  await page.getByText('price, parts only').waitFor();
  // Each is cheaper by the work, at the least where nothing is credited.
  await page.waitForFunction(
    (first) => document.querySelector('button.narrow strong')?.textContent !== first,
    before[0] ?? '',
  );
  await page.keyboard.press('0');
  await page.getByRole('link', { name: 'Go to quote' }).waitFor();
  await page.goto(`/jobs/${JOBS.bakery}/quote`);
  const first = page.getByRole('article', { name: 'Option 1' });
  await first.getByText('Parts to take home, without fitting').waitFor();
  expect(await first.getByText('Fitting and test').count()).toBe(0);
  // One of them is fitted all the same.
  const second = page.getByRole('article', { name: 'Option 2' });
  await second.getByRole('button', { name: 'Fit it here' }).click();
  await second.getByText('Fitting and test').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: /^Send 3 options to Oddny/ }).click();
  await page
    .getByText(/20\d\d-\d{4}/)
    .first()
    .waitFor();
  const link = page.getByRole('link', { name: 'Customer’s page' });
  const href = (await link.getAttribute('href')) ?? '';
  const customer = await (await stage.browser.newContext({ baseURL: stage.app.base })).newPage();
  await customer.goto(href);
  await customer.getByText('fitting is included where no option says otherwise').waitFor();
  expect(await customer.getByText('You fit the parts yourself.').count()).toBeGreaterThan(0);
  expect(await axeFindings(customer)).toEqual([]);
  const text = await pdfText(customer.request, `${href}/pdf`);
  expect(text).toContain('You fit the parts yourself.');
  // Said yes to at the counter: it is handed over, not fitted, and the proof waits for the customer's report.
  await page.goto(`/jobs/${JOBS.bakery}/fitting`);
  await page.getByLabel('Option', { exact: true }).selectOption('1');
  for (const statement of await page.getByRole('checkbox', { name: /^Read out and agreed/ }).all()) {
    await statement.check();
  }
  await page.getByRole('button', { name: 'Record acceptance' }).click();
  await page.getByText('Parts to take home: nothing is fitted here.').waitFor();
  await page.getByRole('button', { name: 'Hand over the parts' }).click();
  const now = page.getByLabel('Now', { exact: true });
  await now.getByText('Check the parts: number, type and condition are those of the quote').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await now.getByRole('button', { name: /^Done/ }).click();
  await now.getByText('Hand the parts over, with the picture of where each module goes').waitFor();
  await now.getByRole('button', { name: /^Done/ }).click();
  await page.getByText('All is done. Continue with Proof.').waitFor();
  await page.goto(`/jobs/${JOBS.bakery}/proof`);
  await page.getByText('The customer fits the parts. Drop the report that they bring or send.').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
});

test('what to buy is a sheet without prices, in the customer’s language, to be printed', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.choir}/options?open=`);
  await ladderDrawn(page);
  await page.getByRole('link', { name: 'What to buy' }).click();
  await page.waitForURL(/what-to-buy/);
  const sheet = page.getByRole('article');
  await sheet.getByText('DDR4 SO-DIMM, 260 contacts').waitFor();
  await sheet.getByText('registered, load-reduced or “server” modules').waitFor();
  // Nothing of what the shop asks or pays is in the page, shown or not.
  expect(await page.content()).not.toMatch(/€|EUR|costCents|priceCents|Marrow|Quayside|Fennimore/);
  expect(await axeFindings(page)).toEqual([]);
  await page.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes');
  });
  await page.getByRole('button', { name: 'Print' }).click();
  expect(await page.locator('body').getAttribute('data-printed')).toBe('yes');
  await page.keyboard.press('Escape');
  await page.waitForURL(/options/);
  // A machine of which something is asked still says so.
  await page.goto(`/jobs/${JOBS.allotment}/what-to-buy`);
  await page.getByText('Something is not known of this machine yet: answer it on Limits.').waitFor();
  expect(faults).toEqual([]);
  await context.close();
});
