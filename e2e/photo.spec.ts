import { labelPhoto } from '../outward/testing/made-photo';
import { axeFindings, openWindow } from './browser';
import { signIn } from './sign-in';
import { openStage } from './stage';

const stage = openStage();

test('a photograph of a module’s label to a slot, its words looked at first', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/counter');
  await page.click('button:has-text("New job")');
  await page.waitForURL(/\/jobs\/\d+\/intake/);
  const picture = await labelPhoto(['Vellamo', '8GB 1Rx8 PC4-2666V-SE1-11']);
  await page.getByLabel('Files to read').setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: picture });
  const photo = page.getByRole('region', { name: 'Photograph' });
  await photo.waitFor({ timeout: 30_000 });
  await photo.getByRole('img', { name: 'What was photographed: label.png' }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  // Every word that is not sure is asked; nothing is read before it is answered.
  for (const group of await photo.getByRole('group').all()) await group.getByRole('button').first().click();
  const words = photo.getByLabel('Words on the photograph');
  expect(await words.inputValue()).toContain('PC4-2666V-SE1-11');
  await words.fill('Vellamo\n8GB 1Rx8 PC4-2666V-SE1-11');
  await photo.getByRole('button', { name: 'Read the words' }).click();
  await page.getByRole('button', { name: 'It is one module' }).click();
  await page.getByLabel('Slot board').getByRole('button', { name: /8 GB/ }).waitFor();
  await photo.waitFor({ state: 'detached' });
  await page.getByText('(label.png)').waitFor();
}, 90_000);

test('a file that is called a picture and is none says so, and loses nothing', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/counter');
  await page.click('button:has-text("New job")');
  await page.waitForURL(/\/jobs\/\d+\/intake/);
  await page.getByLabel('What does the machine say?').fill('half a line');
  await page
    .getByLabel('Files to read')
    .setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await page.getByText(/This is no picture that can be read/).waitFor();
  expect(await page.getByLabel('What does the machine say?').inputValue()).toBe('half a line');
}, 60_000);
