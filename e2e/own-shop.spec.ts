import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { simpleParser } from 'mailparser';
import type { Browser, Locator, Page } from 'playwright-core';
import { makeOpeningCode } from '../service/shop/opening-code';
import { type MailServer, openMailServer } from '../standin/mail-server';
import { App } from '../testing/browser/app';
import { axeFindings, ladderDrawn, openBrowser, openWindow } from '../testing/browser/browser';
import { ownReport } from '../testing/browser/own-machine';
import { hearing } from '../testing/browser/stage';
import { testDatabase } from '../testing/database';

/*
 * From an empty database and an empty mailbox, on the screen alone, to a kept promise. Nothing of the demo shop is in it, and
 * nothing is done that a person cannot do.
 */
let mail: MailServer;
let app: App;
let browser: Browser;
let code: string;
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-own-mail-'));

beforeAll(async () => {
  mail = await openMailServer(folder);
  app = await App.openOn(await testDatabase(), { FENBRIK_ADDRESS: '', FENBRIK_SMTP: `smtp://127.0.0.1:${mail.port}` });
  browser = hearing(await openBrowser());
  // The start prints it; anyone who sits there reads it off the terminal.
  code = (await makeOpeningCode()) ?? '';
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
  await mail?.close();
});

/** An unhurried pace: so long for each press, and for each letter that is typed, seconds. */
const PRESS_S = 4;
const LETTER_S = 0.25;

/** Counts what hands do, and what that takes them at an unhurried pace. */
class Hands {
  presses = 0;
  letters = 0;
  readonly parts: string[] = [];
  #from = 0;

  get seconds(): number {
    return this.presses * PRESS_S + this.letters * LETTER_S;
  }

  async press(what: Locator): Promise<void> {
    this.presses++;
    await what.click();
  }

  /** Presses what saves something, and waits until it is saved. */
  async save(what: Locator, path: string): Promise<void> {
    const answered = page.waitForResponse((answer) => answer.url().endsWith(path) && answer.ok());
    await this.press(what);
    await answered;
  }

  async key(page: Page, key: string): Promise<void> {
    this.presses++;
    await page.keyboard.press(key);
  }

  async type(what: Locator, text: string): Promise<void> {
    this.presses++;
    this.letters += text.length;
    await what.fill(text);
  }

  /** Pasted or dropped: two presses, whatever its length. */
  async paste(what: Locator, text: string): Promise<void> {
    this.presses += 2;
    await what.fill(text);
  }

  async choose(what: Locator, label: string): Promise<void> {
    this.presses += 2;
    await what.selectOption({ label });
  }

  part(name: string): void {
    this.parts.push(`${name} ${((this.seconds - this.#from) / 60).toFixed(1)} min`);
    this.#from = this.seconds;
  }
}

const hands = new Hands();
let page: Page;
let faults: string[];
let link = '';

const field = (label: string) => page.getByLabel(label, { exact: true });
const button = (name: string | RegExp) =>
  page.getByRole('button', typeof name === 'string' ? { name, exact: true } : { name });

/** The last mail that came to the provider. */
async function lastMail() {
  const files = readdirSync(folder).filter((name) => name.endsWith('.eml'));
  return simpleParser(readFileSync(join(folder, `${files.length}.eml`)));
}

/** Waits until so many mails are with the provider. */
async function mailsCame(count: number): Promise<void> {
  for (let tries = 0; tries < 200; tries++) {
    if (readdirSync(folder).filter((name) => name.endsWith('.eml')).length >= count) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`no mail ${count} came`);
}

test('an empty database is opened as a shop with the code of the terminal; a wrong one opens nothing', async () => {
  ({ page, faults } = await openWindow(browser, app.base));
  const wrongCode = 'Failed to load resource: the server responded with a status of 403 (Forbidden)';
  await page.goto('/sign-in');
  await hands.press(page.getByRole('link', { name: 'Open your shop' }));
  await page.waitForURL(/\/open$/);
  await field('Code from the terminal').waitFor();
  await hands.press(button('Open your shop'));
  await page.getByText('Enter the shop’s name.').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await hands.type(field('Code from the terminal'), 'ABCD-EFGH-JKMN');
  for (const [label, text] of [
    ['Shop', 'Harbour Bench'],
    ['Street and number', '3 Quay Lane'],
    ['Postal code', '4021'],
    ['Town', 'Skerrow'],
    ['Telephone', '0555 0100'],
    ['E-mail', 'desk@harbour-bench.example'],
    ['Tax number', 'IE 9998887T'],
    ['Your name', 'Wren Hollis'],
    ['Username', 'wren'],
    ['Password', 'a long harbour'],
    ['Repeat password', 'a long harbour'],
  ] as const)
    await hands.type(field(label), text);
  await hands.choose(field('Country'), 'Ireland');
  expect(await field('Tax').inputValue()).toBe('23');
  await hands.press(button('Open your shop'));
  await page.getByText('This code does not open a shop').waitFor();
  expect(faults.splice(0)).toEqual([wrongCode]);
  await hands.type(field('Code from the terminal'), code.toLowerCase());
  await hands.press(button('Open your shop'));
  await page.waitForURL(/\/counter$/);
  await page.getByLabel('First steps').getByText('0 of 8 done').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  hands.part('opening');
}, 300_000);

test('the first hour: prices, mail, the address, sellers, and offers with their origin', async () => {
  await hands.press(page.getByRole('link', { name: 'Set prices' }));
  await page.waitForURL(/\/settings/);
  await page.getByRole('heading', { name: 'Prices' }).waitFor();
  await hands.type(page.getByLabel('Prices').getByLabel('Mark-up on cost'), '20 %');
  await hands.save(page.getByLabel('Prices').getByRole('button').last(), '/api/price-rule');
  await hands.type(field('E-mail comes from'), 'quotes@harbour-bench.example');
  await hands.save(page.getByLabel('Customers’ papers').getByRole('button', { name: 'Save' }).first(), '/api/papers');
  await hands.save(button(/^Approve all \d+ as shown$/), '/api/texts');
  await hands.press(button(/^Use this browser’s/));
  await hands.press(button('Save address'));
  await page.getByLabel('Address for customers').getByText('Saved.', { exact: true }).waitFor();
  await page.goto('/counter');
  await page.getByLabel('First steps').getByText('4 of 8 done').waitFor();
  hands.part('prices and mail');

  await hands.press(page.getByRole('link', { name: 'Add a seller' }));
  await page.waitForURL(/\/offers/);
  await page.getByText('No sellers yet.').waitFor();
  await hands.press(button('Add a seller'));
  await hands.type(field('Name'), 'Quayside Components');
  await hands.type(field('Delivery time'), '2');
  await hands.type(field('E-mail for orders'), 'orders@quayside.example');
  await hands.press(button('Add'));
  await page.getByText('Quayside Components is added.').waitFor();
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  expect(await axeFindings(page)).toEqual([]);

  // Its price list as it sends it, with a column of origins.
  hands.presses += 3;
  const list = [
    'Item no;Description;Brand;Origin;For models;Trade price;Stock',
    'Q-1;Tarnholt 8GB DDR4-2400 SO-DIMM CL17;Tarnholt;original;Lumen 5;44,00;5',
    'Q-2;Corrick 8GB DDR4-2400 SO-DIMM CL17;Corrick;third-party;;19,50;12',
    'Q-3;Corrick 16GB DDR4-2400 SO-DIMM CL17;Corrick;third-party;;36,00;9',
    'Q-4;Tarnholt 8GB DDR4-2400 SO-DIMM CL17;Tarnholt;original;Lumen 9;41,00;5',
  ].join('\r\n');
  await page
    .getByLabel('File of Quayside Components')
    .setInputFiles({ name: 'quayside.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
  await page.waitForURL(/\/offers\/lists\/\d+/);
  await page.getByText('Tarnholt 8GB DDR4-2400 SO-DIMM CL17').first().waitFor();
  expect(await page.getByLabel('Column 4 is').inputValue()).toBe('origin');
  expect(await page.getByLabel('Column 5 is').inputValue()).toBe('fits');
  await hands.press(button(/^Apply/));
  await page.getByText(/4 new/).first().waitFor();
  await page.goto('/offers');
  // Nobody knows these machines yet: the originals wait for them.
  await page.getByLabel('Original parts to assign').getByText('Tarnholt Lumen 5').waitFor();
  hands.part('seller and price list');

  // One more by hand, in one line.
  await hands.press(button('Add an offer'));
  await hands.paste(field('Title with price'), 'Vellamo 16GB DDR4-2400 CL17 SO-DIMM, new, 39.90 EUR');
  await page.waitForFunction(() => [...document.querySelectorAll('input')].some((one) => one.value === '39.90'));
  expect(await field('Capacity of one').inputValue()).toBe('16 GB');
  await hands.press(button('Add'));
  await page.getByText('Choose a seller.').waitFor();
  await hands.choose(field('Seller'), 'Quayside Components');
  await hands.press(button('Add'));
  await page.getByText('Added: Vellamo 16GB').waitFor();
  hands.part('an offer by hand');
}, 300_000);

test('the first job: a machine that nobody knew, kept as a model, gets an original and a third-party option', async () => {
  await page.goto('/counter');
  await hands.press(button('New job'));
  await page.waitForURL(/\/intake/);
  await hands.paste(
    page.getByLabel('What does the machine say?'),
    ownReport([
      { locator: 'DIMM A', mb: 8192 },
      { locator: 'DIMM B', mb: null },
    ]),
  );
  await hands.press(button('Read'));
  await page.getByText('The library does not know this machine.').first().waitFor();
  await hands.type(field('Name'), 'Hedda Vane');
  await hands.type(field('E-mail'), 'hedda@vane.example');
  await hands.type(field('Needs at least'), '16');
  await hands.press(button('Save as a model'));
  await hands.type(page.getByRole('dialog').getByLabel('Year'), '2019');
  await hands.press(page.getByRole('dialog').getByRole('button', { name: 'Save' }));
  await button('Save as a model').waitFor({ state: 'detached' });
  hands.part('first job and model');
  await hands.press(page.getByRole('link', { name: 'Continue to Limits' }));
  await hands.press(button('Confirm limits and continue'));
  await ladderDrawn(page);
  const rung = page.locator('[data-rung="16384"]');
  // The model was learned a moment ago, and the list's original was bound to it.
  await hands.press(rung.getByRole('button', { name: /original/ }).first());
  await page.getByLabel('Selected plan').getByText('16 GB for').waitFor();
  await hands.key(page, '1');
  await page.getByLabel('Draft quote').getByText('16 GB original').waitFor();
  await hands.press(rung.getByRole('button', { name: /third-party/ }).first());
  await hands.key(page, '2');
  await page.getByLabel('Draft quote').getByText('16 GB third-party').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await hands.press(page.getByRole('link', { name: 'Go to quote' }));
  const third = page.getByRole('article', { name: 'Option 2' });
  await third
    .getByText(/saving|saves|save/i)
    .first()
    .waitFor();
  await hands.press(button(/^Send 2 options to Hedda Vane/));
  await page.getByText(/Quote 20\d\d-\d{4} is sent/).waitFor();
  hands.part('limits, options and quote');
  await hands.press(button(/^Send to hedda@vane.example/));
  await page.getByText(/✓ E-mail to hedda@vane.example/).waitFor();
  console.log(
    `from an empty database to the first quote: ${hands.presses} presses and ${hands.letters} letters, ` +
      `${(hands.seconds / 60).toFixed(1)} min at ${PRESS_S} s a press and ${LETTER_S} s a letter (${hands.parts.join(', ')})`,
  );
  expect(hands.seconds / 60).toBeLessThanOrEqual(15);
}, 300_000);

test('the customer reads the quote from the mail, sees what is saved, and accepts it', async () => {
  const { text = '', attachments, from } = await lastMail();
  expect(from?.text).toContain('quotes@harbour-bench.example');
  link = /http:\/\/\S+\/q\/\S+/.exec(text)?.[0] ?? '';
  expect(attachments[0]?.content.subarray(0, 5).toString()).toBe('%PDF-');
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 780 }, isMobile: true })).newPage();
  await phone.goto(link);
  const seen = await phone.locator('main').innerText();
  expect(seen).toContain('the maker’s own part');
  expect(seen).toMatch(/You save €\d+\.\d\d/);
  expect(seen).toContain('3 Quay Lane, 4021 Skerrow · 0555 0100');
  expect(seen).toContain('Tax number IE 9998887T');
  expect(seen).not.toMatch(/margin|Quayside/);
  await phone.getByRole('radio', { name: /^Option 2/ }).check();
  for (const statement of await phone.getByRole('checkbox').all())
    if (await statement.isVisible()) await statement.check();
  await phone.getByLabel('Your name as signature').fill('Hedda Vane');
  await phone.getByRole('button', { name: 'Order with obligation to pay' }).click();
  await phone.getByText(/was accepted by Hedda Vane/).waitFor();
  await phone.context().close();
}, 300_000);

test('the parts are ordered by mail, fitted, and the promise is proved', async () => {
  await page.goto('/orders');
  await button(/^Order (this one|these)/)
    .first()
    .click();
  await page.waitForURL(/\/orders\/\d+$/);
  await button(/^Send to /)
    .first()
    .click();
  await page.getByText(/^Its mail to orders@quayside\.example/).waitFor();
  await mailsCame(2);
  expect((await lastMail()).text).toContain('3 Quay Lane, 4021 Skerrow');
  await button(/^(Arrived|All \d+ arrived)$/).click();
  await page.getByText('✓ here').first().waitFor();
  await page.goto('/jobs/1/fitting');
  await button('Start work').click();
  const now = page.getByLabel('Now', { exact: true });
  for (let steps = 0; steps < 40 && !(await page.getByText('All is done.').isVisible()); steps++) {
    const text = await now.locator('p').nth(1).textContent();
    await now.getByRole('button', { name: /^Done/ }).click();
    await page.waitForFunction(
      (before) => document.querySelector('[aria-label="Now"] p:nth-of-type(2)')?.textContent !== before,
      text,
    );
  }
  await page.goto('/jobs/1/proof');
  await page.getByLabel('What does the machine report now?').fill(
    ownReport([
      { locator: 'DIMM A', mb: 8192 },
      { locator: 'DIMM B', mb: 8192 },
    ]),
  );
  await button('Compare with the promise').first().click();
  await page.getByText('The promise is kept.').waitFor();
  await button('Sign').click();
  await page.getByText('It is now evidence for this model.').waitFor();
  const sheet = await (await browser.newContext()).newPage();
  await sheet.goto(`${link}/proof`);
  await sheet.getByText('The promise is kept.').waitFor();
  await sheet.context().close();
  expect(faults).toEqual([]);
}, 300_000);

test('what a former program kept is looked at, moved in, found at the counter, and undone', async () => {
  await page.goto('/moving-in');
  const rows = [
    'Name;Telefon;Hersteller;Gerät;Seriennummer',
    'Orin Pell;0551 200;Tarnholt;Mast 2;MA2-1',
    'Hedda Vane;;;;',
    ';;;;x',
    'Orin Pell;0551 200;Tarnholt;Mast 2;MA2-1',
  ].join('\n');
  const file = { name: 'customers.csv', mimeType: 'text/csv', buffer: Buffer.from(rows) };
  await page.getByLabel('File: Customers and machines', { exact: true }).setInputFiles(file);
  await page.getByText('Already known: 1 row').waitFor();
  expect(await page.getByLabel('Column Hersteller is').inputValue()).toBe('maker');
  expect(await axeFindings(page)).toEqual([]);
  await button('Import 3 rows').click();
  await page.getByText('customers.csv: 3 rows imported.').waitFor();
  await page.goto('/counter/closed');
  await page.getByText('Moved in from customers.csv').first().waitFor();
  await page.goto('/moving-in');
  await button('Undo customers.csv').click();
  await page.getByText('customers.csv is undone.').waitFor();
  await page.goto('/counter/closed');
  await page.getByRole('heading', { name: 'Closed jobs' }).waitFor();
  expect(await page.getByText('Moved in from').count()).toBe(0);
}, 120_000);
