import { reportText } from '../demo/report';
import { ladderDrawn, openWindow } from '../testing/browser/browser';
import { pdfText } from '../testing/browser/pdf-text';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

/** A machine nobody has brought in before, of a model the library knows. */
const REPORT = reportText({
  maker: 'Tarnholt',
  product: 'TC4-1900',
  serial: 'TC4-70001',
  cpu: 'Merle 4300',
  maxGb: 64,
  devices: [
    { locator: 'A1', mb: null },
    { locator: 'B1', mb: null },
    { locator: 'A2', mb: 8192, rate: 2400, maker: 'Vellamo', part: 'VE4D8-2400', ranks: 1 },
    { locator: 'B2', mb: null },
  ],
});

const stage = openStage();

/** All money amounts that a text names, in cents. */
function amounts(text: string): number[] {
  return [...text.matchAll(/€(\d[\d,]*\.\d\d)/g)].map((found) =>
    Math.round(Number((found[1] ?? '').replace(/,/g, '')) * 100),
  );
}

test('from a pasted report to a quote in the customer’s hands', async () => {
  const { page, faults, context } = await openWindow(stage.browser, stage.app.base);

  // The door.
  await page.goto('/');
  await page.waitForURL(/\/sign-in/);
  await page.fill('input[name=name]', 'teo');
  await page.fill('input[name=password]', 'not this one');
  await page.click('button:has-text("Sign in")');
  await page.getByRole('alert').filter({ hasText: 'Name or password is not right.' }).waitFor();
  await page.fill('input[name=password]', 'petrel-street');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.waitForURL(/\/counter/);

  // Intake.
  await page.click('button:has-text("New job")');
  await page.waitForURL(/\/jobs\/\d+\/intake/);
  await page.getByLabel('What does the machine say?').fill(REPORT);
  await page.click('button:text-is("Read")');
  await page.getByText('Found in the library as Tarnholt Counter 4').waitFor();
  await page.getByRole('heading', { name: 'Tarnholt Counter 4' }).waitFor();
  expect(
    await page
      .getByLabel('Slot board')
      .getByRole('button', { name: /A2, channel A: 8 GB/ })
      .count(),
  ).toBe(1);
  expect(
    await page
      .getByLabel('Slot board')
      .getByRole('button', { name: /: empty/ })
      .count(),
  ).toBe(3);
  await page.getByLabel('Name', { exact: true }).fill('Hedda Vane');
  await page.getByLabel('Telephone').fill('0555 0123');
  await page.getByLabel('Needs at least').first().fill('16');
  await page.getByLabel('Budget').fill('120');
  await page.getByLabel('Serial number').click();
  await page.getByLabel('Draft quote').getByText('Hedda Vane').waitFor();

  // Limits.
  await page.click('a:has-text("Continue to Limits")');
  await page.waitForURL(/\/limits/);
  const cpuRate = page.getByRole('row', { name: /CPU rate/ });
  expect(await cpuRate.innerText()).toContain('2400 MT/s');
  await page.click('button:has-text("Confirm limits and continue")');

  // The ladder.
  await page.waitForURL(/\/options/);
  const rung = page.locator('[data-rung="16384"]');
  await rung
    .getByRole('button', { name: /third-party/ })
    .first()
    .click();
  const strip = page.getByLabel('Selected plan');
  await strip.getByText('16 GB for').waitFor();
  await page.keyboard.press('1');
  await page.getByLabel('Draft quote').getByText('16 GB third-party').waitFor();
  await rung
    .getByRole('button', { name: /, original,/ })
    .first()
    .click();
  await strip.getByRole('button', { name: 'Add to quote as option 2' }).click();
  await page.getByLabel('Draft quote').getByText('16 GB original').waitFor();

  // The quote: staff see what it leaves, and send it.
  await page.click('a:has-text("Go to quote")');
  await page.waitForURL(/\/quote/);
  const columns = page.getByRole('article');
  expect(await columns.count()).toBe(2);
  const staffText = await page.locator('main').innerText();
  expect(staffText).toContain('For us: parts');
  const shopLines = [...staffText.matchAll(/For us: parts €([\d.]+).* leaves €([\d.]+)/g)];
  expect(shopLines.length).toBe(2);
  const totals = [...staffText.matchAll(/Total\s+€([\d.]+)/g)].map((found) => found[1] ?? '');
  expect(totals.length).toBe(2);
  await page.getByRole('article').first().getByRole('button', { name: 'Suggest this one' }).click();
  await page.getByRole('article').first().getByText('suggested').waitFor();
  await page.click('button:has-text("Send 2 options to Hedda Vane")');
  await page.getByText(/Quote 20\d\d-\d{4} is sent/).waitFor();
  const link = await page.getByRole('link', { name: 'Customer’s page' }).getAttribute('href');
  expect(link).toMatch(/^\/q\/[A-Za-z0-9_-]{43}$/);

  // The customer, who has no session.
  const customer = await openWindow(stage.browser, stage.app.base);
  await customer.page.goto(link ?? '');
  const seen = await customer.page.locator('body').innerText();
  const source = await customer.page.content();
  const paper = await pdfText(customer.page.request, `${link}/pdf`);
  for (const total of totals) {
    expect(seen).toContain(`€${total}`);
    expect(paper).toContain(`€${total}`);
  }
  for (const text of [seen, paper]) {
    expect(text).toContain('Hedda Vane');
    expect(text).toContain('Tarnholt Counter 4');
    expect(text).toMatch(/You save €[\d.]+ \(\d+%\)/);
    expect(text).not.toMatch(/margin|we pay|for us:/i);
  }
  for (const [, cost, margin] of shopLines) {
    for (const secret of [cost, margin]) {
      for (const text of [seen, paper, source]) expect(text).not.toContain(secret ?? 'nothing');
      const cents = Math.round(Number(secret) * 100);
      expect(source).not.toContain(`:${cents}`);
      expect(amounts(paper)).not.toContain(cents);
    }
  }
  expect(paper).not.toMatch(/cost/i);
  expect(source).not.toMatch(/costCents|marginCents|Quayside|Fennimore|Marrow Lane/);
  expect(faults.concat(customer.faults)).toEqual([]);
  await customer.context.close();
  await context.close();
});

test('the whole way by keyboard from the ladder to the slip', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await context.request.post('/api/sign-in', { data: { name: 'edda', password: 'petrel-street' } });
  await page.goto(`/jobs/${JOBS.bakery}/options`);
  await ladderDrawn(page);
  // One mark takes the tab stop; arrows move from it.
  expect(await page.locator('.plan-mark[tabindex="0"]').count()).toBe(1);
  await page.locator('.plan-mark[tabindex="0"]').focus();
  await page.keyboard.press('ArrowUp');
  const first = await page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  const last = await page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
  expect(first).toMatch(/GB for €/);
  expect(last).not.toBe(first);
  await page.keyboard.press('3');
  await page.getByLabel('Draft quote').locator('li').nth(2).getByText(/GB/).first().waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test('a machine without a report: its model picked, its module typed on the board', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/counter');
  await page.click('button:has-text("New job")');
  await page.waitForURL(/\/intake/);
  await page.getByLabel('What does the machine say?').fill('sling 15');
  await page.getByRole('button', { name: /Ostrell Sling 15/ }).click();
  await page.getByRole('heading', { name: 'Ostrell Sling 15' }).waitFor();
  await page.getByRole('button', { name: /^A1, channel A: empty/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Slot A1' });
  await sheet.getByLabel('Capacity').fill('lots');
  await sheet.getByRole('button', { name: 'Save', exact: true }).click();
  await sheet.getByText('Enter a size such as 8 GB.').waitFor();
  await sheet.getByLabel('Capacity').fill('4 GB');
  await sheet.getByLabel('Rate').fill('2400');
  await sheet.getByLabel('Credit if it is removed').fill('3.50');
  await sheet.getByRole('button', { name: 'Save', exact: true }).click();
  await sheet.waitFor({ state: 'detached' });
  await page.getByRole('button', { name: /^A1, channel A: 4 GB/ }).waitFor();

  // Where a slot is can be put right too, and says who did.
  await page.click('a:has-text("Continue to Limits")');
  await page.getByRole('button', { name: 'Change slot B1' }).click();
  const place = page.getByRole('dialog', { name: 'Slot B1' });
  await place.getByLabel('Largest module').fill('8 GB');
  await place.getByRole('button', { name: 'Save', exact: true }).click();
  await place.waitFor({ state: 'detached' });
  await page.getByRole('row', { name: /^B1 B 1 8 GB typed here empty/ }).waitFor();
  await page.getByRole('link', { name: /^Options/ }).click();
  await page.locator('[data-rung]').first().waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test('a report dropped as a file, in the encoding of another system’s shell', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/counter');
  await page.click('button:has-text("New job")');
  await page.waitForURL(/\/intake/);
  const field = page.getByLabel('What does the machine say?');
  await field.waitFor();
  const dropped = await page.evaluateHandle((text) => {
    const bytes = new Uint8Array(2 + text.length * 2);
    bytes.set([0xff, 0xfe]);
    for (let index = 0; index < text.length; index++)
      bytes.set([text.charCodeAt(index) & 255, text.charCodeAt(index) >> 8], 2 + index * 2);
    const transfer = new DataTransfer();
    transfer.items.add(new File([bytes], 'from the till.txt'));
    return transfer;
  }, REPORT);
  await field.dispatchEvent('drop', { dataTransfer: dropped });
  await page.getByText('Found in the library as Tarnholt Counter 4').waitFor();
  await page.getByText('(from the till.txt)').waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test('the counter’s staff see the limits and are not offered what they may not', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'edda');
  await page.goto(`/jobs/${JOBS.bakery}/limits`);
  await page.getByText('A technician decides the limits.').waitFor();
  expect(await page.getByRole('button', { name: /^Save/ }).count()).toBe(0);
  const refused = await context.request.put(`/api/jobs/${JOBS.bakery}/limits`, {
    data: { decisions: [{ limit: 'totalMiB', value: 4096 }] },
  });
  expect(refused.status()).toBe(403);
  await context.close();
});
