import { axeFindings, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

const languageOf = (page: { evaluate: <T>(what: () => T) => Promise<T> }) =>
  page.evaluate(() => document.documentElement.lang);

test('screens come in German where a person chose it, on every device they sign in on, and in English again', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  await page.goto('/counter');
  expect(await languageOf(page)).toBe('en');
  await page.getByRole('button', { name: /language: Deutsch/ }).click();
  await page.getByRole('heading', { name: 'Aufträge', level: 1 }).waitFor();
  expect(await languageOf(page)).toBe('de');
  for (const [path, words] of [
    [`/jobs/${JOBS.bakery}/intake`, 'Was meldet das Gerät?'],
    [`/jobs/${JOBS.bakery}/limits`, 'Was dieses Gerät unterstützt'],
    [`/jobs/${JOBS.bakery}/options`, '45,00 €'],
    [`/jobs/${JOBS.choir}/quote`, 'Das geht an den Kunden'],
    [`/jobs/${JOBS.library}/proof`, 'Die Zusage ist erfüllt.'],
    ['/offers', 'Händlerangebot hinzufügen'],
    ['/models', 'Modell hinzufügen'],
    ['/orders', 'Bestellungen'],
  ] as const) {
    await page.goto(path);
    await page.getByText(words).first().waitFor();
    expect(await axeFindings(page)).toEqual([]);
  }
  expect(faults).toEqual([]);

  const other = await openWindow(stage.browser, stage.app.base);
  await signIn(other.context, stage.app.base, 'teo');
  await other.page.goto('/counter');
  await other.page.getByRole('button', { name: 'Neuer Auftrag' }).waitFor();
  // The words go with the page, and so do those of what is fetched when it opens.
  await other.page.getByRole('button', { name: /Sprache: English/ }).click();
  await other.page.getByRole('button', { name: 'New job' }).waitFor();
  await other.context.close();
  await context.close();
});

test('help opens by ? or by its link where the screen’s own help stands, in the language of the screen', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  const isOnTop = (id: string) =>
    page.waitForFunction((section) => {
      const top = document.getElementById(section)?.getBoundingClientRect().top;
      return top !== undefined && top >= 0 && top < 120;
    }, id);
  await page.goto(`/jobs/${JOBS.bakery}/limits`);
  await page.getByRole('heading', { name: 'What this machine supports' }).waitFor();
  await page.keyboard.press('?');
  await page.waitForURL('**/help#limits');
  await page.getByRole('heading', { name: 'Limits', level: 3 }).waitFor();
  await isOnTop('limits');
  // Its picture is there, and so is what it points to.
  await page.waitForFunction(() => (document.querySelector<HTMLImageElement>('#limits img')?.naturalWidth ?? 0) > 0);
  expect(await axeFindings(page)).toEqual([]);

  await page.getByRole('button', { name: /language: Deutsch/ }).click();
  await page.getByRole('heading', { name: 'Für Techniker' }).waitFor();
  await page.goto(`/jobs/${JOBS.choir}/quote`);
  await page.getByRole('link', { name: 'Hilfe' }).click();
  await page.waitForURL('**/help#quote');
  await isOnTop('quote');
  await page.getByRole('link', { name: 'Nachweis', exact: true }).click();
  await isOnTop('proof');

  // Options has its map of keys under the same key, and a way on from there.
  await page.goto(`/jobs/${JOBS.bakery}/options`);
  await page.locator('[data-rung]').first().waitFor();
  await page.keyboard.press('?');
  await page.getByRole('dialog').getByRole('link', { name: 'Hilfe' }).click();
  await page.waitForURL('**/help#options');
  await page.getByRole('button', { name: /Sprache: English/ }).click();
  await page.getByRole('heading', { name: 'For technicians' }).waitFor();
  await page.getByRole('link', { name: 'what can be read, and how to make it' }).click();
  await page.getByRole('heading', { name: 'What can be read, and how to make it', level: 1 }).waitFor();

  // What an owner sets has its own guide.
  const owner = await openWindow(stage.browser, stage.app.base);
  await signIn(owner.context, stage.app.base, 'runa');
  await owner.page.goto('/people');
  await owner.page.getByRole('link', { name: 'Help' }).click();
  await owner.page.waitForURL('**/help#staff');
  await owner.page.getByRole('heading', { name: 'Add a person', level: 4 }).waitFor();
  await owner.context.close();
  expect(faults).toEqual([]);
  await context.close();
});

test('the theme is the system’s until somebody chooses, and then theirs', async () => {
  const context = await stage.browser.newContext({ baseURL: stage.app.base, colorScheme: 'dark' });
  const page = await context.newPage();
  await page.goto('/sign-in');
  const ground = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  const dark = await ground();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: 'Light theme' }).click();
  expect(await ground()).not.toBe(dark);
  await page.reload();
  expect(await ground()).not.toBe(dark);
  await page.getByRole('button', { name: 'Dark theme' }).click();
  expect(await ground()).toBe(dark);
  await context.close();
});

test('before anybody signs in, the page is in the language that the browser asks for', async () => {
  const context = await stage.browser.newContext({ baseURL: stage.app.base, locale: 'de-AT' });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Anmelden', exact: true }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: /Sprache: English/ }).click();
  await page.getByRole('button', { name: 'Sign in', exact: true }).waitFor();
  await context.close();
});
