import type { Page } from 'playwright-core';
import { dumpFile, dumpTable } from '../demo/smbios-dump';
import { sampleDdr4 } from '../demo/spd-image';
import { axeFindings, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';

const stage = openStage();

const PART = 'VE4D8-2666';
const MODULE = { mib: 8192, rate: 2400, configured: 2400, maker: 'Vellamo', part: PART, form: 9 } as const;
const DUMP = dumpFile(
  dumpTable({
    maker: 'Tarnholt',
    product: 'TC4-1900',
    serial: 'TC4-70002',
    cpu: 'Merle 4300',
    maxGb: 64,
    devices: [
      { ...MODULE, locator: 'A1', serial: '01020304' },
      { locator: 'B1', mib: 'empty' },
      { ...MODULE, locator: 'A2', serial: '0A0B0C0D' },
      { locator: 'B2', mib: 'empty' },
    ],
  }),
);
const spd = (serial: readonly [number, number, number, number], ranks: number) =>
  sampleDdr4({ type: 2, gbit: ranks === 1 ? 8 : 4, ranks, part: PART, serial, heightMm: 32 });
const TITLE = `Vellamo ${PART} 8GB DDR4-2666 DIMM CL19 non-ECC unbuffered`;

interface Dropped {
  name: string;
  bytes: Uint8Array;
}
const textFile = (name: string, text: string): Dropped => ({ name, bytes: new TextEncoder().encode(text) });

async function newJob() {
  const window = await openWindow(stage.browser, stage.app.base);
  await signIn(window.context, stage.app.base, 'teo');
  await window.page.goto('/counter');
  await window.page.click('button:has-text("New job")');
  await window.page.waitForURL(/\/intake/);
  return window;
}

/** Drops files on the report field, as a mouse would. */
async function drop(page: Page, files: readonly Dropped[]): Promise<void> {
  const sent = files.map(({ name, bytes }) => ({ name, bytes: Array.from(bytes) }));
  const transfer = await page.evaluateHandle((all) => {
    const data = new DataTransfer();
    for (const { name, bytes } of all) data.items.add(new File([Uint8Array.from(bytes)], name));
    return data;
  }, sent);
  const field = page.getByLabel('What does the machine say?');
  await field.dispatchEvent('dragover', { dataTransfer: transfer });
  await field.dispatchEvent('drop', { dataTransfer: transfer });
}

const read = (page: Page) => page.getByRole('region', { name: 'Readings' });
const slot = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}, channel`) });

test('a dump, two SPDs and a title dropped on a new job are joined, and every value knows its source', async () => {
  const { page, context, faults } = await newJob();
  await drop(page, [
    { name: 'a2.bin', bytes: spd([10, 11, 12, 13], 2) },
    textFile('label.txt', TITLE),
    { name: 'tables.bin', bytes: DUMP },
    { name: 'a1.bin', bytes: spd([1, 2, 3, 4], 1) },
  ]);
  await page.getByText('4 inputs, combined below').waitFor();
  await page.getByText('Found in the library as Tarnholt Counter 4').waitFor();

  // What each was, in a line.
  for (const line of [
    'SMBIOS dump of Tarnholt TC4-1900: 4 slots, 2 filled with 16 GB',
    `SPD: 8 GB DDR4-2666 CL19 DIMM, 1Rx8, ${PART}`,
    `SPD: 8 GB DDR4-2666 CL19 DIMM, 2Rx8, ${PART}`,
    'label or title: 8 GB DDR4-2666 CL19 DIMM',
  ]) {
    await read(page).getByText(line).waitFor();
  }

  // The board: slots from the dump, modules from their own SPDs, told apart by their serials.
  await slot(page, 'A1').hover();
  const card = page.getByRole('tooltip');
  const row = (label: string) => card.getByRole('row', { name: new RegExp(`^${label} `) });
  await card.waitFor();
  expect(await row('Ranks').innerText()).toMatch(/\b1\b/);
  // The dump said 2400, the SPD says what the module is: both stand side by side.
  expect(await row('Rate').innerText()).toMatch(/2666 MT\/s[\s\S]*≠ 2400 MT\/s/);
  const heads = await card.getByRole('columnheader').allInnerTexts();
  expect(heads.join(' ')).toMatch(/SPD “a1\.bin”.*SMBIOS dump “tables\.bin”/s);

  // By keyboard as well.
  await page.mouse.move(0, 0);
  await slot(page, 'A2').focus();
  await card.getByText('SPD “a2.bin”').waitFor();
  expect(await row('Ranks').innerText()).toMatch(/\b2\b/);
  expect(await slot(page, 'A2').getAttribute('aria-label')).toContain('Sources disagree on rate');
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');

  // One that is set aside no longer counts, and can be taken in again.
  await page.getByRole('button', { name: 'Ignore: a2.bin' }).press('Enter');
  await page.getByRole('button', { name: 'Use again: a2.bin' }).waitFor();
  await slot(page, 'A2').focus();
  await card.getByText('SMBIOS dump “tables.bin”').waitFor();
  expect(await row('Height').count()).toBe(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Use again: a2.bin' }).press('Enter');
  await page.getByRole('button', { name: 'Ignore: a2.bin' }).waitFor();

  await page.reload();
  expect(await read(page).getByRole('listitem').count()).toBe(4);
  expect(faults).toEqual([]);
  await context.close();
});

test('a title is marked while it is typed, and one with a price is something to buy', async () => {
  const { page, context } = await newJob();
  const field = page.getByLabel('What does the machine say?');
  await field.fill('Brimwick 16GB 2Rx8 PC4-2666V-UB1-11, new, 39.90 EUR');
  const marks = page.locator('mark');
  await marks.filter({ hasText: 'PC4-2666V-UB1-11' }).waitFor();
  expect(await marks.allInnerTexts()).toEqual(['16GB', '2Rx8', 'PC4-2666V-UB1-11', 'new', '39.90 EUR']);
  await page.getByText('an offer: 16 GB DDR4-2666 CL19 DIMM, 2Rx8 at €39.90').waitFor();
  await field.fill('8GB DDR4 PC3-10600');
  await page.getByText('“PC3-10600” and “DDR4” differ in generation').waitFor();
  await field.fill('2GB 1Rx8 PC3-10600S-9-10-B1');
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await slot(page, 'Slot 1').waitFor();
  expect(await field.inputValue()).toBe('');
  await context.close();
});

test('what is no report is named, keeps no other back, and nothing of a file becomes markup', async () => {
  const { page, context, faults } = await newJob();
  const evil = '<img src=x onerror="document.title=1">';
  const tables = dumpFile(
    dumpTable({
      maker: evil,
      product: '<script>document.title=2</script>',
      serial: 'X',
      cpu: evil,
      maxGb: 32,
      devices: [{ locator: `A1${evil}`, mib: 4096, rate: 2400, part: evil }],
    }),
  );
  await drop(page, [
    { name: 'holiday.zip', bytes: Uint8Array.of(0x50, 0x4b, 3, 4, 0, 0) },
    { name: `${evil}.bin`, bytes: tables },
    { name: 'setup.exe', bytes: new Uint8Array(200).fill(0).map((_, index) => [0x4d, 0x5a][index] ?? 0) },
    textFile('empty.txt', ''),
  ]);
  await page.getByRole('alert').filter({ hasText: 'holiday.zip: This is a packed archive' }).waitFor();
  await page.getByRole('alert').filter({ hasText: 'setup.exe: This is a program' }).waitFor();
  await page.getByRole('alert').filter({ hasText: 'empty.txt: This input is empty, so nothing was read.' }).waitFor();
  await read(page).getByText(`SMBIOS dump of ${evil}`).waitFor();
  expect(await page.locator('main img, aside img, main script').count()).toBe(0);
  expect(await page.title()).not.toMatch(/^[12]$/);
  await drop(page, [{ name: 'huge.bin', bytes: new Uint8Array(10) }, textFile('only.txt', 'Dear shop, it is slow.')]);
  await page.getByRole('alert').filter({ hasText: 'only.txt: Fenbrik cannot read this' }).waitFor();
  expect(await read(page).getByRole('listitem').count()).toBe(1);
  expect(faults).toEqual([]);
  await context.close();
});

test('files are chosen and pasted as well as dropped', async () => {
  const { page, context } = await newJob();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose files' }).press('Enter');
  await (await chooser).setFiles([
    { name: 'tables.bin', mimeType: 'application/octet-stream', buffer: Buffer.from(DUMP) },
  ]);
  await read(page).getByText('tables.bin').waitFor();
  const pasted = Array.from(spd([1, 2, 3, 4], 1));
  await page.getByLabel('What does the machine say?').evaluate((field, bytes) => {
    const clipboardData = new DataTransfer();
    clipboardData.items.add(new File([Uint8Array.from(bytes)], 'a1.bin'));
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, pasted);
  await read(page).getByText('(a1.bin)').waitFor();
  await context.close();
});
