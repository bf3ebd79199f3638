import type { Page } from 'playwright-core';
import { axeFindings, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';

const stage = openStage();

const SPECIFICATION = `Corvin Ledger 14
Memory: 8 GB DDR4-2666 SO-DIMM (1 x 8 GB)
Memory slots: 2
Maximum memory: 32 GB
Largest module: 16 GB
Memory speed: up to 2666 MT/s
Storage: 512 GB SSD`;

async function newJob(): Promise<{ page: Page; path: (station: string) => string }> {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/counter');
  await page.click('button:has-text("New job")');
  await page.waitForURL(/\/jobs\/\d+\/intake/);
  const job = /\/jobs\/(\d+)\//.exec(page.url())?.[1] ?? '';
  return { page, path: (station) => `/jobs/${job}/${station}` };
}

async function readText(page: Page, text: string): Promise<void> {
  await page.getByLabel('What does the machine say?').fill(text);
  await page.getByRole('button', { name: 'Read', exact: true }).click();
}

/** Chooses the cheapest third-party plan of a rung and sends it. */
async function sendPlan(page: Page, path: (station: string) => string, rung: number): Promise<void> {
  await page.goto(path('limits'));
  await page.getByRole('button', { name: 'Confirm limits and continue' }).click();
  await page.waitForURL(/\/options/);
  await page
    .locator(`[data-rung="${rung}"]`)
    .getByRole('button', { name: /third-party/ })
    .first()
    .click();
  await page.keyboard.press('1');
  await page
    .getByLabel('Draft quote')
    .getByText(/GB third-party/)
    .waitFor();
  await page.click('a:has-text("Go to quote")');
  await page.waitForURL(/\/quote/);
  await page.getByRole('button', { name: /^Send 1 option to / }).click();
  await page.getByText(/Quote 20\d\d-\d{4} is sent/).waitFor();
}

test('from a pasted specification of an unknown machine to a sent quote, and a proof by a panel’s text', async () => {
  const { page, path } = await newJob();
  await readText(page, SPECIFICATION);
  const card = page.getByRole('form', { name: 'Specification of Corvin Ledger 14' });
  await card.waitFor();
  expect(await axeFindings(page)).toEqual([]);

  // Every limit stands with the words it came from, and is taken, changed or left.
  const claims = card.getByRole('list', { name: 'Limits in the text' }).getByRole('listitem');
  const total = claims.filter({ hasText: 'Maximum memory: 32 GB' });
  expect(await total.innerText()).toContain('32 GB');
  await total.getByRole('button', { name: /^Change/ }).click();
  await total.getByRole('textbox').fill('24 GB');
  await total.getByRole('button', { name: 'Set', exact: true }).click();
  await total.getByText('24 GB', { exact: true }).waitFor();
  await claims.filter({ hasText: 'Largest module' }).getByRole('checkbox').uncheck();
  await card.getByLabel('Name of the source').fill('Maker’s page, 2026');
  await card.getByLabel('Installed now').selectOption({ label: '8 GB, 1 module' });
  const named = await card.getByRole('button', { name: /^Use \d+ limits$/ }).innerText();
  await card.getByRole('button', { name: named }).click();
  await page.getByText(/used from Maker’s page, 2026/).waitFor();
  await page.getByText('1 left out').waitFor();
  await page
    .getByLabel('Slot board')
    .getByRole('button', { name: /A, channel A: 8 GB/ })
    .waitFor();
  expect(await page.getByLabel('Model', { exact: true }).inputValue()).toBe('Ledger 14');

  // The one thing that it leaves open.
  await page.getByRole('region', { name: 'Question' }).getByRole('button', { name: '2666 MT/s' }).click();
  await page.getByRole('region', { name: 'Question' }).waitFor({ state: 'detached' });
  await page.getByLabel('Name', { exact: true }).fill('Hedda Vane');
  await page.getByLabel('Telephone').fill('0555 0123');
  await page.getByLabel('Serial number').click();
  await page.getByLabel('Draft quote').getByText('Hedda Vane').waitFor();

  // The limit shows its source and its words.
  await page.goto(path('limits'));
  const row = page.getByRole('row', { name: /Maximum total: official/ });
  expect(await row.innerText()).toContain('24 GB');
  await page.getByRole('button', { name: 'Sources and decision: Maximum total: official' }).click();
  await page.getByRole('dialog').getByText('“Maximum memory: 32 GB”').waitFor();
  expect(await page.getByRole('dialog').innerText()).toContain('Maker’s page, 2026');
  await page.keyboard.press('Escape');

  await sendPlan(page, path, 16384);

  await page.goto(path('fitting'));
  const yes = page.getByRole('button', { name: 'Record acceptance' });
  await yes.waitFor();
  for (const statement of await page.getByRole('checkbox', { name: /^Read out and agreed/ }).all())
    await statement.check();
  await yes.click();
  await page.getByText(/accepted by/).waitFor();
  await page.goto(path('proof'));
  await page
    .getByLabel('What does the machine report now?')
    .fill('Memory\t16.0 GB DDR4\nSpeed:\t2667 MT/s\nSlots used:\t2 of 2\nForm factor:\tSODIMM');
  await page.getByRole('button', { name: 'Compare with the promise' }).click();
  // What was found stands beside what was promised, point by point.
  const found = async (point: RegExp) => page.getByRole('row', { name: point }).getByRole('cell').nth(1).innerText();
  await page.getByRole('row', { name: /Running rate/ }).waitFor();
  expect(await found(/Running rate/)).toContain('2666 MT/s');
  expect(await found(/^Total/)).toContain('16 GB');
}, 180_000);

test('what a system’s screen shows is typed, and asks only what no reading said', async () => {
  const { page, path } = await newJob();
  await page.getByRole('button', { name: 'Type what its screen shows' }).click();
  const form = page.getByRole('form', { name: 'What the screen shows' });
  await form.getByRole('button', { name: 'Add' }).click();
  await form.getByText('Enter how many slots are used, and how many there are.').waitFor();
  await form.getByLabel('Memory').fill('16');
  await form.getByLabel('Type').selectOption('DDR4');
  await form.getByLabel('Speed').fill('2667');
  await form.getByLabel('Slots used').fill('2');
  await form.getByLabel('of', { exact: true }).fill('2');
  await form.getByLabel('Form factor').selectOption('SODIMM');
  await form.getByRole('button', { name: 'Add' }).click();
  await page.getByText('2 slots, 2 filled with 16 GB in total').first().waitFor();
  // Two modules that look the same are asked of together, the even share first.
  const question = page.getByRole('region', { name: 'Question' });
  await question.getByText('How large is each of the 2 modules').waitFor();
  await question.getByRole('button', { name: '8 GB', exact: true }).click();
  await question.getByText('How fast is each of the 2 modules').waitFor();
  await question.getByRole('button', { name: '2666 MT/s' }).click();
  await question.waitFor({ state: 'detached' });
  expect(await page.getByRole('button', { name: 'Type what its screen shows' }).count()).toBe(0);
  await page.goto(path('options'));
  await page.locator('[data-rung="32768"]').waitFor();
}, 120_000);

test('a text that may be a title or a machine’s data asks which it is, both side by side', async () => {
  const { page } = await newJob();
  await readText(page, 'Memory: 8 GB DDR4-2666 SO-DIMM');
  const which = page.getByRole('region', { name: 'What is this text?' });
  await which.getByText('label or title: 8 GB DDR4-2666 SO-DIMM').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await which.getByRole('button', { name: 'It is one module' }).click();
  await page.getByLabel('Slot board').getByRole('button', { name: /8 GB/ }).waitFor();
  expect(await which.count()).toBe(0);
  expect(await page.getByLabel('What does the machine say?').inputValue()).toBe('');
}, 60_000);

test('a model is added from a pasted specification', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/models');
  await page.getByRole('button', { name: 'Add a model' }).click();
  const sheet = page.getByRole('dialog', { name: 'Add a model' });
  await sheet.getByLabel('Start from').selectOption('specification');
  await sheet.getByLabel('Specification', { exact: true }).fill('nothing about it');
  await sheet.getByText(/says nothing about slots or limits/).waitFor();
  await sheet.getByLabel('Specification', { exact: true }).fill(SPECIFICATION);
  expect(await sheet.getByLabel('Maker').inputValue()).toBe('Corvin');
  expect(await sheet.getByLabel('Model', { exact: true }).inputValue()).toBe('Ledger 14');
  await sheet.getByRole('listitem').filter({ hasText: 'Largest module' }).getByRole('checkbox').uncheck();
  expect(await axeFindings(page)).toEqual([]);
  await sheet.getByLabel('Year').fill('2021');
  await sheet.getByRole('button', { name: 'Add', exact: true }).click();
  await page.waitForURL(/\/models\/\d+$/);
  await page.getByRole('heading', { name: /Corvin Ledger 14/ }).waitFor();
  expect(await page.getByRole('row', { name: /Maximum total: official/ }).innerText()).toContain('32 GB');
}, 60_000);
