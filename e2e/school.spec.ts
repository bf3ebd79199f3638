import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { pdfText } from '../testing/browser/pdf-text';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { acceptSpoken, asFiles, choose16, fitRest, promised } from '../testing/browser/whole-job';
import { FIVE, SEVEN, tillReport, twelveReports } from '../testing/twelve';

const stage = openStage();

test('a school’s twelve machines in two groups, from their reports to one proof sheet', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/intake/);
  await page.getByLabel('Name', { exact: true }).fill('Skerrow School');
  await page.getByLabel('Equal machines').fill('12');
  await page.keyboard.press('Tab');
  await page.getByText('Everything here is of each; prices are for all.').waitFor();
  await page.getByLabel('Files to read').setInputFiles(asFiles(twelveReports()));
  const groups = page.getByRole('navigation', { name: 'Groups of machines' });
  await groups.getByText('Group 1: 7 machines').waitFor();
  expect(await groups.getByRole('link').allTextContents()).toEqual([
    'Group 1: 7 machines8 GB in 1 module',
    'Group 2: 5 machines8 GB in 2 modules',
  ]);
  expect(await axeFindings(page)).toEqual([]);
  const job = /jobs\/(\d+)/.exec(page.url())?.[1] ?? '';
  // Each group has its ladder; prices stand for all of its machines, and for each.
  await page.goto(`/jobs/${job}/options?open=`);
  await ladderDrawn(page);
  await page.getByText('price, for 7 machines, fitted').waitFor();
  expect(await page.locator('button.narrow').first().textContent()).toMatch(/€[\d,.]+ each/);
  await choose16(page);
  await groups.getByRole('link', { name: /^Group 2/ }).click();
  await page.getByText('price, for 5 machines, fitted').waitFor();
  await ladderDrawn(page);
  expect(await axeFindings(page)).toEqual([]);
  await choose16(page);
  const other = /jobs\/(\d+)/.exec(page.url())?.[1] ?? '';
  expect(other).not.toBe(job);
  // The quote is of both, and so is the way to it.
  await page.goto(`/jobs/${other}/quote`);
  await page.waitForURL(new RegExp(`jobs/${job}/quote`));
  const option = page.getByRole('article', { name: 'Option 1' });
  await option.getByText('Group 1: 7 machines to 16 GB').waitFor();
  await option.getByText('Group 2: 5 machines to 16 GB').waitFor();
  await option.getByText('For each of 12 machines').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: /^Send 1 option to Skerrow School/ }).click();
  const href = (await page.getByRole('link', { name: 'Customer’s page' }).getAttribute('href')) ?? '';
  const customer = await (await stage.browser.newContext({ baseURL: stage.app.base })).newPage();
  await customer.goto(href);
  await customer.getByText('Each has 8 GB today.').waitFor();
  await customer.getByText('Group 2: 5 machines, 16 GB each').waitFor();
  expect(await axeFindings(customer)).toEqual([]);
  expect(await pdfText(customer.request, `${href}/pdf`)).toContain('Group 2: 5 machines, 16 GB each');
  const [of7, of5] = await promised(customer);
  await page.goto(`/jobs/${other}/fitting`);
  await acceptSpoken(page);
  // Several are on the bench at once, each with its own list.
  const machines = page.getByRole('navigation', { name: 'Machines', exact: true });
  await machines.getByRole('link').first().waitFor();
  expect(await machines.getByRole('link').count()).toBe(5);
  await page.getByRole('button', { name: 'Start work', exact: true }).click();
  await page.getByLabel('Now', { exact: true }).waitFor();
  await machines.getByRole('link', { name: /SM-02/ }).click();
  await page.waitForURL(/machine=2/);
  await page.getByRole('button', { name: 'Start work', exact: true }).click();
  await page.getByLabel('Now', { exact: true }).waitFor();
  await page.keyboard.press('d');
  await machines.getByText(/^1 of \d+ steps/).waitFor();
  await machines.getByText(/^0 of \d+ steps/).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await fitRest(page);
  await page.getByRole('link', { name: /^Next machine: SM-01/ }).waitFor();
  await machines.getByText('1 of 5 machines are fitted.', { exact: false }).waitFor();
  // All reports are dropped at once, of both groups: each goes to its machine by its serial.
  await page.goto(`/jobs/${job}/proof`);
  await machines.getByText('0 of 7 machines are proved.', { exact: false }).waitFor();
  const reports = [...SEVEN, ...FIVE].map((serial) => ({
    name: `${serial}-after.txt`,
    text: tillReport(serial, (FIVE.includes(serial) ? of5 : of7) ?? {}),
  }));
  await page.getByLabel('Report to read').setInputFiles(asFiles(reports));
  await page.getByText(/^12 reports compared/).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('checkbox', { name: /and 6 other machines/ }).waitFor();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await machines.getByText('7 of 7 machines are proved.', { exact: false }).waitFor();
  await groups.getByRole('link', { name: /^Group 2/ }).click();
  await machines.getByText('0 of 5 machines are proved.', { exact: false }).waitFor();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await machines.getByText('5 of 5 machines are proved.', { exact: false }).waitFor();
  // Modules that came out go to stock, or wherever they go, in one go.
  await customer.goto(`${href}/proof`);
  await customer.getByText('12 of 12 machines are proved.').waitFor();
  for (const serial of [...SEVEN, ...FIVE]) await customer.getByRole('rowheader', { name: serial }).waitFor();
  expect(await axeFindings(customer)).toEqual([]);
  expect(await pdfText(customer.request, `${href}/proof-pdf`)).toContain('SM-05');
  expect(faults).toEqual([]);
  await context.close();
});
