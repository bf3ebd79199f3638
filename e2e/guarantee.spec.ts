import { reportText } from '../demo/report';
import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { acceptSpoken, asFiles, choose16, fitRest, promised } from '../testing/browser/whole-job';
import { ONE_MODULE } from '../testing/twelve';

const stage = openStage();

/** What the till says with these modules, MB by slot; `fitted` is the serial of those that are not in `before`. */
const report = (slots: Readonly<Record<string, number>>, fitted = '') => ({
  name: fitted === '' ? 'till.txt' : 'till-after.txt',
  text: reportText({
    maker: 'Tarnholt',
    product: 'tc4-1900',
    serial: 'GU-01',
    cpu: 'Merle 4300',
    maxGb: 64,
    devices: ['A1', 'B1', 'A2', 'B2'].map((locator) => ({
      locator,
      mb: slots[locator] ?? null,
      rate: 2400,
      ranks: 1,
      ...(fitted !== '' && slots[locator] !== undefined && ONE_MODULE[locator] === undefined && { serial: fitted }),
    })),
  }),
});

test('months later a module is found by its serial, and a free job replaces what was fitted', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'runa');
  const newJob = async () => {
    await page.goto('/');
    await page.getByRole('button', { name: 'New job' }).click();
    await page.waitForURL(/intake/);
    return /jobs\/(\d+)/.exec(page.url())?.[1] ?? '';
  };
  const months = { guaranteePartsMonths: 24, guaranteeWorkMonths: 12, paperPerGb: false };
  expect((await page.request.put('/api/quote-says', { data: months })).ok()).toBe(true);
  const first = await newJob();
  await page.getByLabel('Name', { exact: true }).fill('Ines Corwell');
  await page.keyboard.press('Tab');
  await page.getByLabel('Files to read').setInputFiles(asFiles([report(ONE_MODULE)]));
  await page.getByText('GU-01').first().waitFor();
  await page.goto(`/jobs/${first}/options?open=`);
  await ladderDrawn(page);
  await choose16(page);
  await page.goto(`/jobs/${first}/quote`);
  await page.getByRole('button', { name: /^Send 1 option to Ines/ }).click();
  const href = (await page.getByRole('link', { name: 'Customer’s page' }).getAttribute('href')) ?? '';
  const customer = await (await stage.browser.newContext({ baseURL: stage.app.base })).newPage();
  await customer.goto(href);
  await customer.getByText('24 months on parts', { exact: false }).first().waitFor();
  const [after = {}] = await promised(customer);
  await page.goto(`/jobs/${first}/fitting`);
  await acceptSpoken(page);
  await page.getByRole('button', { name: 'Start work', exact: true }).click();
  await page.getByLabel('Now', { exact: true }).waitFor();
  await fitRest(page);
  await page.goto(`/jobs/${first}/proof`);
  await page.getByLabel('Report to read').setInputFiles(asFiles([report(after, '5C0FFEE1')]));
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await page.getByText('Signed', { exact: false }).first().waitFor();
  // Months later somebody stands at the counter with the module alone.
  const next = await newJob();
  await page.getByLabel('What does the machine say?').fill('5c0ffee1');
  await page.getByText('a module in it', { exact: false }).waitFor();
  await page.getByRole('button', { name: 'Same customer' }).click();
  const earlier = page.getByRole('region', { name: 'Earlier jobs' });
  await earlier.getByText('Guarantee: parts until', { exact: false }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await earlier.getByRole('button', { name: `Replace under guarantee (job ${first})` }).click();
  await earlier.getByText(`Under guarantee of job ${first}: parts and work cost the customer nothing.`).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.goto(`/jobs/${next}/options?open=`);
  await ladderDrawn(page);
  await page.locator('[data-rung] .plan-mark').first().click();
  await page.getByRole('button', { name: 'Add to quote as option 1' }).click();
  await page.getByRole('region', { name: 'Draft quote' }).locator('li').first().waitFor();
  await page.goto(`/jobs/${next}/quote`);
  const option = page.getByRole('article', { name: 'Option 1' });
  await option.getByText('€0.00', { exact: true }).first().waitFor();
  await option.getByText('under guarantee', { exact: false }).first().waitFor();
  await page.getByRole('button', { name: /^Send 1 option to Ines/ }).click();
  const link = page.getByRole('link', { name: 'Customer’s page' });
  await customer.goto((await link.getAttribute('href')) ?? '');
  await customer.getByText('€0.00', { exact: true }).first().waitFor();
  expect(await axeFindings(customer)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
});
