import { axeFindings, openWindow } from '../testing/browser/browser';
import { pdfText } from '../testing/browser/pdf-text';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

test('larger than anybody vouches for: tried from stock, agreed on condition, settled when it does not work', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  const stock = await page.request.post('/api/stock', {
    data: { label: '64GB DDR4-3200 2Rx4 UDIMM CL22 288-pin', quantity: 2, costCents: 9000 },
  });
  const { offerId } = (await stock.json()) as { offerId: number };
  await page.goto(`/jobs/${JOBS.bakery}/fitting`);
  const trial = page.getByRole('region', { name: 'Test before the quote' });
  await trial.getByLabel('Modules from stock').selectOption(String(offerId));
  await trial.getByRole('button', { name: 'Reserve and begin' }).click();
  await trial.getByText('1 × 64 GB').first().waitFor();
  expect(await axeFindings(page)).toEqual([]);
  const choice = { place: 1, kept: [], bought: [{ offer: `offer-${offerId}`, count: 2 }] };
  await trial.getByRole('button', { name: 'It starts' }).click();
  await trial.getByLabel('Shows in total').fill('lots');
  await trial.getByText('Enter gigabytes, such as 64.').waitFor();
  await trial.getByLabel('Shows in total').fill('64');
  await trial.getByRole('button', { name: 'Note it' }).click();
  await trial.getByText('works, shows 64 GB').waitFor();
  await trial.getByRole('button', { name: 'It starts' }).click();
  await trial.getByLabel('Shows in total').fill('128');
  await trial.getByLabel('Ran under load').fill('30');
  await trial.getByRole('button', { name: 'Note it' }).click();
  await trial.getByText('works, shows 128 GB, ran 30 min under load').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  // It is a compatibility test of the model, and can be put on the quote now.
  await page.goto(`/jobs/${JOBS.bakery}/limits`);
  await page.getByText('128 GB').first().waitFor();
  expect((await page.request.post(`/api/jobs/${JOBS.bakery}/options`, { data: choice })).ok()).toBe(true);
  await page.goto(`/jobs/${JOBS.bakery}/quote`);
  const first = page.getByRole('article', { name: 'Option 1' });
  await first.getByRole('button', { name: 'If it does not work…' }).click();
  await first.getByLabel('They then pay').fill('45');
  await first.getByRole('button', { name: 'Put it on the quote' }).click();
  await first.getByText('On condition: €45.00 if it does not work').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: /^Send 1 option to Oddny/ }).click();
  const href = (await page.getByRole('link', { name: 'Customer’s page' }).first().getAttribute('href')) ?? '';
  const customer = await (await stage.browser.newContext({ baseURL: stage.app.base })).newPage();
  await customer.goto(href);
  await customer.getByText('your own modules go back in and you pay €45.00').first().waitFor();
  await page.goto(`/jobs/${JOBS.bakery}/fitting`);
  for (const statement of await page.getByRole('checkbox', { name: /^Read out and agreed/ }).all()) {
    await statement.check();
  }
  await page.getByRole('button', { name: 'Record acceptance' }).click();
  await page.getByRole('heading', { name: 'Parts' }).waitFor();
  await page.goto(`/jobs/${JOBS.bakery}/proof`);
  await page.getByText('Agreed on condition').waitFor();
  await page.getByRole('button', { name: 'It does not work' }).click();
  await page.getByLabel('In a sentence, for the customer').fill('three beeps, then nothing');
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: 'Settle it' }).click();
  await page.getByText('Did not work, settled on').waitFor();
  const money = page.getByRole('region', { name: 'Payment and invoice' });
  await money.getByText('€45.00 to pay', { exact: false }).waitFor();
  await money.getByRole('button', { name: 'Make the invoice' }).click();
  await money.getByText(/INV-20\d\d-0001/).waitFor();
  const pdf = (await money.getByRole('link', { name: 'PDF' }).getAttribute('href')) ?? '';
  const text = await pdfText(page.request, pdf);
  expect(text).toContain('your own modules are back in');
  expect(text).toContain('45.00');
  await customer.reload();
  await customer.getByText('It did not work in your machine.').waitFor();
  expect(await axeFindings(customer)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
});
