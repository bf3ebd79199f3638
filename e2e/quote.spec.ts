import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { simpleParser } from 'mailparser';
import type { Page } from 'playwright-core';
import { type MailServer, openMailServer } from '../standin/mail-server';
import { axeFindings, openWindow } from '../testing/browser/browser';
import { pdfText } from '../testing/browser/pdf-text';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { inLongRun } from './in-long-run';

let mail: MailServer;
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-mail-'));
beforeAll(async () => {
  mail = await openMailServer(folder);
  process.env.FENBRIK_SMTP = `smtp://127.0.0.1:${mail.port}`;
});
const stage = openStage();
afterAll(() => mail.close());

/** The choir's job of the demo shop: three options on the slip, not yet sent. */
const CHOIR = 2;
const option = (page: Page, place: number) => page.getByRole('article', { name: `Option ${place}` });
const link = async (page: Page) =>
  (await page.getByRole('link', { name: 'Customer’s page' }).first().getAttribute('href')) ?? '';

inLongRun(
  'agreed, typed over and sent in German by mail; the link withdrawn opens nothing, a new one does',
  async () => {
    const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
    await signIn(context, stage.app.base);
    const address = { email: 'iver@choir.example' };
    const email = { data: { set: address, seen: { email: '' } }, headers: { origin: stage.app.base } };
    expect((await context.request.patch(`/api/jobs/${CHOIR}/intake`, email)).ok()).toBe(true);
    await page.goto(`/jobs/${CHOIR}/quote`);
    await page.getByRole('button', { name: /^Change terms/ }).click();
    const terms = page.getByRole('form', { name: 'Terms' });
    await terms.getByLabel('Discount').fill('1000000');
    await terms.getByLabel('Reason', { exact: true }).fill('Stammkundin');
    await terms.getByRole('button', { name: 'Save terms' }).click();
    await terms.getByText('The discount is as much as option 1 costs: make it smaller.').waitFor();
    await terms.getByLabel('Discount').fill('10 %');
    await terms.getByLabel('Deposit').fill('20 %');
    await terms.getByLabel('Prices valid until').fill('2020-01-01');
    await terms.getByRole('button', { name: 'Save terms' }).click();
    await terms.getByText('The prices cannot be valid until a day in the past.').waitFor();
    expect(await terms.getByLabel('Reason', { exact: true }).inputValue()).toBe('Stammkundin');
    await terms.getByLabel('Prices valid until').fill('');
    await terms.getByLabel('Customer’s language').selectOption('Deutsch');
    await terms.getByLabel('Note to the customer').fill('<b>Danke</b> für Ihre Anfrage.');
    await terms.getByRole('button', { name: 'Save terms' }).click();
    await page.getByText(/Terms: discount 10 % \(Stammkundin\)/).waitFor();
    // Other lines: a usual one by a press, in the language of the quote, and a free one.
    const others = page.getByRole('region', { name: 'Other lines' });
    await others.getByRole('button', { name: /^\+ Diagnose/ }).click();
    await option(page, 1).getByText('Diagnose').waitFor();
    await others.getByRole('button', { name: 'Another line' }).click();
    await others.getByRole('button', { name: 'Add', exact: true }).click();
    await others.getByText('Enter what the customer reads.').waitFor();
    await others.getByLabel('What the customer reads').fill('Altbatterie');
    await others.getByLabel('Number').fill('2');
    await others.getByLabel('Price of one').fill('2.50');
    await others.getByLabel('Tax').fill('7');
    expect(await axeFindings(page)).toEqual([]);
    await others.getByRole('button', { name: 'Add', exact: true }).click();
    await option(page, 1).getByText('2 × Altbatterie').waitFor();
    await others.getByRole('button', { name: 'Change Diagnose' }).click();
    await others.getByRole('button', { name: 'Remove', exact: true }).click();
    await option(page, 1).getByText('Diagnose').waitFor({ state: 'detached' });
    await option(page, 1).getByText('Nachlass: Stammkundin').waitFor();

    await option(page, 1)
      .getByRole('button', { name: /override Einbau und Prüfung/ })
      .click();
    await page.getByLabel('Price').fill('20.00');
    await page.keyboard.press('Enter');
    await option(page, 1)
      .getByText(/calculated: 29,00/)
      .waitFor();
    expect(await axeFindings(page)).toEqual([]);

    await page.keyboard.press('s');
    await page.getByText(/Quote 20\d\d-\d{4} is sent/).waitFor();
    await page.getByRole('button', { name: /^Send to iver@choir.example/ }).waitFor();
    await page.keyboard.press('m');
    await page.getByText(/✓ E-mail to iver@choir.example: accepted by the mail server/).waitFor();
    const parsed = await simpleParser(readFileSync(join(folder, '1.eml')));
    const path = await link(page);
    expect(parsed.subject).toMatch(/^Angebot 20\d\d-\d{4}/);
    expect(parsed.text).toContain(`${stage.app.base}${path}`);
    expect(parsed.attachments[0]?.content.subarray(0, 5).toString()).toBe('%PDF-');

    const customer = await stage.browser.newContext({ baseURL: stage.app.base });
    const view = await customer.newPage();
    await view.goto(path);
    expect(await view.locator('main').getAttribute('lang')).toBe('de');
    const seen = await view.locator('main').innerText();
    for (const words of ['Vorschlag 1', 'Nachlass: Stammkundin', 'sind bei Annahme fällig', '<b>Danke</b>'])
      expect(seen).toContain(words);
    expect(seen).not.toMatch(/computed|29,00 €\n.*20,00/);
    expect(await axeFindings(view)).toEqual([]);
    const dark = await stage.browser.newContext({ baseURL: stage.app.base, colorScheme: 'dark' });
    const night = await dark.newPage();
    await night.goto(path);
    expect(await axeFindings(night)).toEqual([]);
    await dark.close();
    expect(await pdfText(customer.request, `${path}/pdf`)).toContain('Nachlass: Stammkundin');
    const xml = await customer.request.get(`${path}/ubl/1`);
    expect(xml.headers()['content-type']).toBe('application/xml');
    expect(await xml.text()).toContain('<cbc:UBLVersionID>2.3</cbc:UBLVersionID>');
    expect((await customer.request.get(`${path}/ubl/9`)).status()).toBe(404);
    expect((await (await customer.request.get(`${path}/csv`)).text()).split('\r\n')[1]).toMatch(/^20\d\d-\d{4},/);

    await page.getByRole('button', { name: 'Withdraw link' }).click();
    await page.getByText('Its link is withdrawn and opens nothing.').waitFor();
    expect((await customer.request.get(path)).status()).toBe(404);
    for (const file of ['pdf', 'json', 'csv', 'ubl/1', 'logo'])
      expect((await customer.request.get(`${path}/${file}`)).status()).toBe(404);
    await page.getByRole('button', { name: 'Create a new link' }).click();
    await page.getByRole('link', { name: 'Customer’s page' }).waitFor();
    const newer = await link(page);
    expect(newer).not.toBe(path);
    expect((await customer.request.get(newer)).status()).toBe(200);
    expect(faults).toEqual([]);
    await Promise.all([context.close(), customer.close()]);
  },
  300_000,
);

test('the owner rewords a text, and puts a logo on the papers; what is no picture is said so', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'runa');
  await page.goto('/settings');
  const texts = page.getByRole('region', { name: 'What customers read' });
  await texts.getByRole('button', { name: 'Edit: under warranty' }).click();
  await texts.getByLabel('Text: under warranty').fill('It is under {guarantee}.');
  await texts.getByText(/\{guarantee\} is not known/).waitFor();
  await texts.getByLabel('Text: under warranty').fill('Under warranty: keep the old modules.');
  await texts.getByRole('button', { name: 'Approve', exact: true }).click();
  await texts.getByText('Under warranty: keep the old modules.').waitFor();

  const papers = page.getByRole('region', { name: 'Customers’ papers' });
  const chooser = papers.getByLabel('Logo, a PNG or JPEG file');
  await chooser.setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await papers.getByText('This is neither a PNG nor a JPEG picture.').waitFor();
  const big = join(folder, 'big.png');
  writeFileSync(big, Buffer.alloc(40_000_000));
  await chooser.setInputFiles(big);
  await papers.getByText('The file has more than 1 MB: save the logo smaller.').waitFor();
  // Anyone who sends it past the page is told so before a byte of it is read.
  const sent = await context.request.put('/api/logo', { data: readFileSync(big), headers: { origin: stage.app.base } });
  expect([sent.status(), (await sent.json()).sentence]).toEqual([
    413,
    'This is too large: at most 976 kB can be sent here.',
  ]);
  const buffer = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
    'base64',
  );
  await chooser.setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer });
  await papers.getByRole('img', { name: 'The logo on our papers' }).waitFor();
  await papers.getByRole('button', { name: 'Remove' }).click();
  await papers.getByRole('img').waitFor({ state: 'detached' });

  const work = page.getByRole('region', { name: 'Work and tax' });
  await work.getByLabel('Tax on parts').fill('250');
  await work.getByText('Enter a tax rate from 0 to 100, such as 20.').waitFor();
  await work.getByLabel('Tax on parts').fill('20');
  await work.getByLabel('Or by the hour').fill('60');
  await work.getByText('work €60.00').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
}, 300_000);
