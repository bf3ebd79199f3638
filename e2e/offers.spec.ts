import { priceListPieces } from '../bench/price-list';
import { axeFindings, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';
import { inLongRun } from './in-long-run';

const stage = openStage();

test('a seller’s terms and a printed price with a coupon come to what counts, step by step', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  await page.goto('/offers');
  await page.getByText('prices in EUR with 20 % tax that is refunded · shipping 4.90, free from 50.00').waitFor();

  // What a seller's numbers mean; what makes no sense is told, and what was typed stays.
  await page.getByRole('button', { name: 'Edit Quayside Components' }).click();
  const terms = page.getByRole('dialog', { name: 'Quayside Components' });
  await terms.getByLabel('Shipping of an order').fill('dear');
  await terms.getByRole('button', { name: 'Save' }).click();
  await terms.getByText('Enter the shipping as none').waitFor();
  expect(await terms.getByLabel('Shipping of an order').inputValue()).toBe('dear');
  await terms.getByLabel('Shipping of an order').fill('6.00');
  await terms.getByLabel('Tax', { exact: true }).fill('20');
  await terms.getByLabel('prices include tax').check();
  expect(await axeFindings(page)).toEqual([]);
  await terms.getByRole('button', { name: 'Save' }).click();
  await page.getByText('Quayside Components: 0 prices recalculated.').waitFor();

  // A printed price, with every step to what one costs us.
  await page.getByLabel('Find offers').fill('2 x 8 GB DDR5 DIMM quayside corrick');
  const row = page
    .getByRole('listitem')
    .filter({ hasText: 'Corrick 2 x 8 GB DDR5-4800 CL40 DIMM' })
    .filter({ hasText: 'third-party · Quayside Components' });
  await row.getByRole('button', { name: /^Change price/ }).click();
  const price = page.getByRole('dialog', { name: 'New price' });
  await price.getByLabel('Printed price of Quayside Components').fill('60.00');
  await price.getByLabel('Coupon').fill('10 % until 2099-12-31');
  await price.getByText('Cost of one').waitFor();
  const shown = await price.locator('form').getByRole('definition').allInnerTexts();
  // 60.00 less 10 %, plus 6.00 shipping, less the 20 % tax in 60.00.
  expect(shown.map((text) => text.replace(/[^\d.-]/g, ''))).toEqual(['60.00', '-6.00', '6.00', '-10.00', '50.00']);
  expect(await axeFindings(page)).toEqual([]);
  await price.getByLabel('Coupon').fill('some');
  await price.getByRole('button', { name: 'Save', exact: true }).click();
  await price.getByText('Enter a coupon such as 10 % until').waitFor();
  await price.getByLabel('Coupon').fill('10 % until 2099-12-31');
  await price.getByRole('button', { name: 'Save', exact: true }).click();
  await price.waitFor({ state: 'detached' });
  await row.getByText('cost €50.00').waitFor();

  // New terms count it again.
  await page.getByRole('button', { name: 'Edit Quayside Components' }).click();
  await terms.getByLabel('Shipping of an order').fill('none');
  await terms.getByRole('button', { name: 'Save' }).click();
  await page.getByText('Quayside Components: 1 price recalculated.').waitFor();
  await row.getByText('cost €45.00').waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test('a seller in another currency asks for a rate before its prices count', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  await page.goto('/offers');
  await page.getByRole('button', { name: 'Edit Fennimore Parts' }).click();
  const terms = page.getByRole('dialog', { name: 'Fennimore Parts' });
  await terms.getByLabel('Currency').fill('skr');
  await terms.getByRole('button', { name: 'Save' }).click();
  await page.getByText('There is no rate for SKR yet').waitFor();
  const row = page.getByRole('listitem').filter({ hasText: 'Fennimore Parts' }).filter({ hasText: 'third-party' });
  await row
    .first()
    .getByRole('button', { name: /^Change price/ })
    .click();
  const price = page.getByRole('dialog', { name: 'New price' });
  await price.getByLabel('Printed price of Fennimore Parts').fill('1000');
  await price.getByRole('button', { name: 'Save', exact: true }).click();
  await price.getByText(/There is no exchange rate from SKR to EUR yet/).waitFor();
  await page.keyboard.press('Escape');
  // What was typed is not lost by a slip: it is let go on purpose.
  await price.getByText('What you typed is not saved.').waitFor();
  await price.getByRole('button', { name: 'Discard' }).click();
  await page.getByLabel('Exchange rate: EUR for 1 SKR').fill('much');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByText('Enter a rate such as 0.88.').waitFor();
  await page.getByLabel('Exchange rate: EUR for 1 SKR').fill('0.088');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByText('1 SKR = 0.088 EUR').waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test('a price list is looked at, put right, applied, reaches a job’s plans, and is undone', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  const best = async () => {
    await page.goto(`/jobs/${JOBS.bakery}/options`);
    await page.locator('[data-rung="16384"]').waitFor();
    return page.locator('[data-rung="16384"]').innerText();
  };
  const before = await best();
  await page.goto('/offers');
  const lines = [
    'Marrow Lane Memory;;;',
    'Ref;Text;Price;Price',
    'ML-900;Corrick 8GB DDR4-2400 CL17 DIMM;99,00;4,00',
    'ML-901;Laptop memory 8GB;9,00;8,00',
    'ML-902;Corrick 8GB DDR4-2400 CL17 DIMM;25.11.2026;soon',
  ];
  await page.getByLabel('File of Marrow Lane Memory').setInputFiles({
    name: 'late november.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(lines.join('\r\n')),
  });
  await page.waitForURL(/\/offers\/lists\/\d+/);
  await page.getByText('△ another fits as well').waitFor();
  await page.getByText('its generation is missing').waitFor();
  await page.getByText('its price is a date').waitFor();
  expect(await axeFindings(page)).toEqual([]);

  // The right column, by keyboard: it is the seller's own from now on.
  await page.getByLabel('Column 4 is').focus();
  await page.getByLabel('Column 4 is').selectOption({ label: 'price' });
  await page.getByRole('region', { name: 'New' }).getByText('€4.00').waitFor();
  await page.getByText('its price is a date').waitFor({ state: 'detached' });
  // A doubtful row is told what it does not say, by keyboard alone; what makes no sense is refused.
  await page.getByLabel('Generation of ML-901').focus();
  await page.keyboard.type('DDR4');
  await page.keyboard.press('Enter');
  await page.keyboard.type('fast');
  await page.keyboard.press('Enter');
  await page.getByText('Rate: enter it such as 3200.').waitFor();
  await page.getByLabel('Rate of ML-901').fill('2400');
  await page.getByLabel('Rate of ML-901').press('Enter');
  await page.getByRole('region', { name: 'New' }).getByText('Laptop memory').waitFor();
  await page.getByRole('button', { name: 'Apply list' }).press('Enter');
  await page.getByText('Applied: 2 new, 0 re-priced, 0 withdrawn, 1 left unchanged.').waitFor();
  const list = page.url();
  expect(await best()).not.toBe(before);

  await page.goto(list);
  await page.getByRole('button', { name: 'Undo list' }).click();
  await page.getByText('Undone: every offer is as it was.').waitFor();
  expect(await best()).toBe(before);
  expect(faults).toEqual([]);
  await context.close();
});

inLongRun('a list of many rows says how far it is, is looked at in parts, and nobody waits for it', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  await page.goto('/offers');
  const pieces = [...priceListPieces({ rows: 70_000, kind: 'structured' })];
  const buffer = Buffer.concat(pieces.map((piece) => Buffer.from(piece)));
  await page
    .getByLabel('File of Quayside Components')
    .setInputFiles({ name: 'all of november.csv', mimeType: 'text/csv', buffer });
  await page.waitForURL(/\/offers\/lists\/\d+/);
  // Meanwhile everything else answers.
  const health = await context.request.get(`${stage.app.base}/api/health`);
  expect(health.ok()).toBe(true);
  const fresh = page.getByRole('region', { name: 'New' });
  await fresh.getByText('70\u202f000').waitFor();
  expect(await fresh.getByRole('listitem').count()).toBe(40);
  await fresh.getByRole('button', { name: /^Show more, .* left: New$/ }).click();
  await fresh.getByText('line 241', { exact: true }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: 'Apply list' }).click();
  await page.getByRole('progressbar', { name: 'Applying' }).waitFor();
  await page.getByText('Applied: 70\u202f000 new, 0 re-priced').waitFor();
  await page.getByRole('button', { name: 'Undo list' }).click();
  await page.getByText('Undone: every offer is as it was.').waitFor();
  expect(faults).toEqual([]);
  await context.close();
});
