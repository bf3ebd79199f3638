import type { Page } from 'playwright-core';
import { drawn, labelPhoto, photographed } from '../outward/testing/made-photo';
import { acceptedTill, fitted } from '../testing/bench';
import { axeFindings, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';
import { as } from '../testing/shop';

const stage = openStage();

async function blankJob() {
  const window = await openWindow(stage.browser, stage.app.base);
  await signIn(window.context, stage.app.base);
  await window.page.goto('/counter');
  await window.page.click('button:has-text("New job")');
  await window.page.waitForURL(/\/jobs\/\d+\/intake/);
  return window;
}

const photoOf = (page: Page) => page.getByRole('region', { name: 'Photo', exact: true });
const drop = (page: Page, label: string, name: string, buffer: Buffer) =>
  page.getByLabel(label, { exact: true }).setInputFiles({ name, mimeType: 'image/jpeg', buffer });

test('a photograph of a module’s label to a slot: doubtful words are asked, and nothing is read before', async () => {
  const { page, context, faults } = await blankJob();
  const picture = await photographed(
    await drawn({
      lines: ['Vellamo', '8GB 1Rx8 PC4-2666V-SE1-11', 'P/N: VE4S8-2666'],
      codes: [{ text: '55D01F20', symbology: 'Code128' }],
    }),
    { noise: 6, blur: 0.6, turned: 90 },
  );
  await drop(page, 'Files to read', 'label.jpg', picture);
  await page
    .getByText(/^(Sending|Opening|Reading)/)
    .first()
    .waitFor();
  const photo = photoOf(page);
  await photo.getByRole('img', { name: 'Photo: label.jpg' }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  // The part's letters may be figures: it is asked about, with the true spelling among those offered.
  const question = photo.getByRole('group', { name: /1\. What does it say here/ });
  const label = photo.getByRole('button', { name: 'It is a module’s label' });
  expect(await label.isDisabled()).toBe(true);
  await photo.getByText('1 word is not sure yet.').waitFor();
  await photo.getByLabel('Words on the photo').press('End');
  await photo.getByLabel('Words on the photo').pressSequentially(' ');
  expect(await label.isDisabled()).toBe(true);
  await question.getByRole('button', { name: 'VE4S8-2666', exact: true }).click();
  expect(await label.isDisabled()).toBe(false);
  // What is typed over passes no question by.
  const words = photo.getByLabel('Words on the photo');
  await words.fill((await words.inputValue()).replace('Vellamo', 'Vellamo Components'));
  expect(await label.isDisabled()).toBe(false);
  // A code names nothing on its own.
  const code = photo.getByRole('group', { name: 'A code says 55D01F20' });
  await code.getByRole('button', { name: 'Serial number' }).click();
  expect((await words.inputValue()).replace(/ +$/gm, '')).toBe(
    'Vellamo Components\n8GB 1Rx8 PC4-2666V-SE1-11\nP/N: VE4S8-2666\nS/N: 55D01F20',
  );
  expect(await page.getByLabel('Slot board').getByRole('button', { name: /8 GB/ }).count()).toBe(0);
  await label.click();
  const slot = page.getByLabel('Slot board').getByRole('button', { name: /8 GB/ });
  await slot.waitFor();
  await photo.waitFor({ state: 'detached' });
  // Part and serial are in the slot.
  await slot.click();
  const sheet = page.getByRole('dialog');
  expect(await sheet.getByLabel('Part number').inputValue()).toBe('VE4S8-2666');
  expect(await sheet.getByLabel('Serial number').inputValue()).toBe('55D01F20');
  await sheet.getByText('Sources').click();
  await sheet.getByRole('row', { name: /Serial.*55D01F20/ }).waitFor();
  await page.keyboard.press('Escape');
  // The picture stays, upright, and says what it shows.
  const pictures = page.getByRole('region', { name: 'Pictures' });
  await pictures.getByLabel('Caption').fill('the module in A1');
  await pictures.getByLabel('Show while fitting').check();
  await pictures.getByRole('img', { name: 'the module in A1' }).waitFor();
  const sides = await pictures.getByRole('img').evaluate((image) => {
    const { naturalWidth, naturalHeight } = image as HTMLImageElement;
    return naturalWidth > naturalHeight;
  });
  expect(sides).toBe(true);
  expect(await axeFindings(page)).toEqual([]);
  await pictures.getByRole('button', { name: 'Remove: the module in A1' }).click();
  await pictures.waitFor({ state: 'detached' });
  expect(faults).toEqual([]);
  await context.close();
}, 180_000);

test('a picture that was taken elsewhere is asked about here; a code of a job opens it; one without words is kept', async () => {
  const { page, context, faults } = await blankJob();
  const own = page.url();
  const text = `${stage.app.base}/jobs/${JOBS.choir}/limits`;
  const photo = photoOf(page);
  // Another device, another person: the desk hears of it.
  const other = await openWindow(stage.browser, stage.app.base);
  await signIn(other.context, stage.app.base, 'edda');
  const sent = await other.context.request.post(own.replace('/jobs/', '/api/jobs/').replace('/intake', '/pictures'), {
    data: await drawn({ lines: ['Petrel Street'], codes: [{ text, symbology: 'QRCode' }] }),
    headers: { 'content-type': 'application/octet-stream', 'x-file-name': 'code.jpg' },
  });
  expect(sent.status()).toBe(200);
  await photo.waitFor();
  await other.page.goto(own);
  await photoOf(other.page).getByRole('button', { name: 'Only keep the picture' }).click();
  await other.page.getByRole('region', { name: 'Pictures' }).waitFor();
  await other.context.close();
  await photo.getByRole('link', { name: 'Open job 2' }).click();
  await page.waitForURL(/\/jobs\/2\/limits/);
  await page.goto(own);
  await photo.waitFor({ state: 'detached' });
  const plain = await labelPhoto([]);
  await drop(page, 'Files to read', 'door.png', plain);
  await page.getByText(/^No words were found in this picture.*The picture is kept\.$/).waitFor();
  await page.getByRole('region', { name: 'Pictures' }).getByRole('img').nth(1).waitFor();
  expect(faults).toEqual([]);
  await context.close();
}, 180_000);

test('a file that is called a picture and is none says so, and loses nothing', async () => {
  const { page, context } = await blankJob();
  await page.getByLabel('What does the machine say?').fill('half a line');
  await drop(page, 'Files to read', 'x.jpg', Buffer.from('no picture'));
  await page.getByText(/This is no picture that can be read/).waitFor();
  expect(await page.getByLabel('What does the machine say?').inputValue()).toBe('half a line');
  await context.close();
}, 60_000);

test('on the bench a picture is added and stands beside the step; the proof takes a screen’s photograph', async () => {
  const teo = await as('teo');
  const job = await acceptedTill(teo);
  await fitted(teo, job);
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base, { width: 800, height: 1180 });
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${job}/fitting`);
  await drop(page, 'Photo', 'screws.png', await labelPhoto(['long screw here']));
  await page
    .getByRole('region', { name: 'Pictures of this machine' })
    .getByRole('img', { name: 'screws.png' })
    .waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.goto(`/jobs/${job}/proof`);
  const screen = await photographed(
    await drawn({
      lines: ['Memory    16.0 GB DDR4', 'Speed: 2400 MHz', 'Slots used: 2 of 4', 'Form factor: DIMM'],
      size: 34,
    }),
    { noise: 6, around: '#101014' },
  );
  await drop(page, 'Report to read', 'screen.jpg', screen);
  const photo = photoOf(page);
  await photo.getByRole('button', { name: 'Read the words' }).click();
  const found = page.getByRole('region', { name: 'Promise and result' });
  await found.getByRole('row', { name: /Total.*16 GB.*16 GB/ }).waitFor();
  await photo.waitFor({ state: 'detached' });
  expect(faults).toEqual([]);
  await context.close();
}, 180_000);

test('a keyboard-like scanner: the shop’s own codes open, a part’s goes into its field, and no form is sent', async () => {
  const { page, context, faults } = await blankJob();
  const scan = async (text: string) => {
    await page.evaluate((code) => {
      const field = document.activeElement as Element;
      const from = performance.now();
      for (const [nr, key] of [...code, 'Enter'].entries()) {
        const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
        // A scanner's signs come a few milliseconds apart, however long the page takes over each.
        Object.defineProperty(event, 'timeStamp', { value: from + nr * 5 });
        if (!field.dispatchEvent(event) || key.length !== 1) continue;
        if (field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement) {
          const owner = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
          Object.getOwnPropertyDescriptor(owner.prototype, 'value')?.set?.call(field, field.value + key);
          field.dispatchEvent(new Event('input', { bubbles: true }));
        }
      }
    }, text);
  };
  await page.getByLabel('Serial number', { exact: true }).focus();
  await scan(']C1TC4-70417');
  expect(await page.getByLabel('Serial number', { exact: true }).inputValue()).toBe('TC4-70417');
  await page.getByRole('button', { name: 'Add a slot' }).click();
  await page.getByLabel('Slot board').getByRole('button', { name: /^A1/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Slot A1' });
  await sheet.getByLabel('Part number').focus();
  await scan('1PVE4D8-2400');
  expect(await sheet.getByLabel('Part number').inputValue()).toBe('VE4D8-2400');
  // The scanner's Enter sent nothing: the sheet is open.
  await sheet.getByRole('button', { name: 'Save', exact: true }).waitFor();
  await page.keyboard.press('Escape');
  await sheet.getByRole('button', { name: 'Discard' }).click();
  const field = page.getByLabel('What does the machine say?');
  await field.fill('half a line');
  await field.focus();
  await scan(`https://elsewhere.example/jobs/${JOBS.choir}`);
  await page.getByText(`No job, quote or order has the code “https://elsewhere.example/jobs/${JOBS.choir}”.`).waitFor();
  expect(await field.inputValue()).toBe('half a line');
  await page.locator('body').click({ position: { x: 5, y: 5 } });
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await scan(`${stage.app.base}/jobs/${JOBS.choir}/options`);
  await page.waitForURL(/\/jobs\/2\/options/);
  expect(faults).toEqual([]);
  await context.close();
}, 120_000);
