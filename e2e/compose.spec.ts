import type { Page } from 'playwright-core';
import { axeFindings, ladderDrawn, openWindow, type Visit } from '../testing/browser/browser';
import { layoutFaults } from '../testing/browser/layout-faults';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';
import { LANGUAGE_COOKIE } from '../ui/words/language-cookie';

const stage = openStage();

const panel = (page: Page) => page.getByRole('region', { name: 'Compose by hand' });
const slip = (page: Page) => page.getByLabel('Draft quote');

/** The bakery's till on its ladder. */
async function onLadder(visit: Visit = {}, language: 'en' | 'de' = 'en') {
  const window = await openWindow(stage.browser, stage.app.base, visit);
  await window.context.addCookies([{ name: LANGUAGE_COOKIE, value: language, url: stage.app.base }]);
  await signIn(window.context, stage.app.base);
  await window.page.goto(`/jobs/${JOBS.bakery}/options`);
  await ladderDrawn(window.page);
  return window;
}

test('a module like the one inside is added by hand: beaten by a cheaper plan, said by how much, and quoted all the same', async () => {
  const { page, context, faults } = await onLadder();
  await page.keyboard.press('h');
  await panel(page).getByText('This is what the machine has today').waitFor();
  // The field to find a module has the focus; the like ones come next.
  expect(await page.evaluate(() => document.activeElement?.tagName)).toBe('INPUT');
  const like = panel(page).locator('section', { hasText: 'Like the module in A2' }).locator('li').first();
  expect(await like.textContent()).toContain('same maker');
  const price = (await like.textContent())?.match(/€[\d.]+/)?.[0] ?? '';
  await like.getByRole('button', { name: /^Add / }).press('Enter');
  await panel(page)
    .getByText(/^The ladder has a plan that is as good in everything: 24 GB for €/)
    .waitFor();
  await panel(page)
    .getByText(/^For €[\d.]+ less, this set would be on the ladder, too\.$/)
    .waitFor();
  // The board shows where the new modules go.
  await page.getByText('8 GB → 24 GB').waitFor();
  expect(page.url()).toContain('by-hand');
  const head = (await panel(page).getByRole('heading', { level: 2 }).textContent()) ?? '';
  expect(head).toMatch(/^24 GB for €/);
  // Loaded again it is the same set.
  await page.reload();
  await panel(page).getByText(price).first().waitFor();
  await panel(page)
    .getByRole('heading', { level: 2, name: /^24 GB for €/ })
    .waitFor();
  await panel(page).getByRole('button', { name: 'Add to quote as option 1' }).click();
  await slip(page).locator('li').first().getByText('24 GB').waitFor();
  await panel(page).getByText('In the draft quote as 1;').waitFor();
  await panel(page).getByRole('button', { name: 'Done' }).click();
  await panel(page).waitFor({ state: 'detached' });
  expect(faults).toEqual([]);
  await context.close();
});

test('an offer is dragged into the set and onto a module, whose place it takes, and sets are laid side by side', async () => {
  const { page, context, faults } = await onLadder();
  await page.keyboard.press('h');
  const here = panel(page);
  const like = here.locator('section', { hasText: 'Like the module in A2' }).locator('li').first();
  const bought = here.locator('section', { has: page.getByRole('heading', { name: 'To buy' }) });
  await like.dragTo(bought);
  await here.getByRole('heading', { level: 2, name: /^24 GB for €/ }).waitFor();
  await here.getByRole('button', { name: 'Compare', exact: true }).click();
  const inside = here
    .locator('section', { has: page.getByRole('heading', { name: 'In the machine' }) })
    .locator('li')
    .first();
  await like.dragTo(inside);
  // One more of it is bought, and what was inside comes out.
  await inside.getByRole('button', { name: /^Keep/ }).waitFor();
  await here.getByRole('heading', { level: 2, name: /^32 GB for €/ }).waitFor();
  await here.getByRole('button', { name: 'Compare', exact: true }).click();
  await here.getByRole('button', { name: 'Compare 2' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByText('24 GB').first().waitFor();
  await sheet.getByText('32 GB').first().waitFor();
  expect(await axeFindings(page)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
});

test('an offer is dropped on slots of the board: into an empty one, then in place of what is in one', async () => {
  const { page, context, faults } = await onLadder();
  await page.keyboard.press('h');
  const here = panel(page);
  const like = here.locator('section', { hasText: 'Like the module in A2' }).locator('li').first();
  const slot = (name: string) => page.locator(`[data-slot="${name}"]`);
  await like.dragTo(slot('B2'));
  await here.getByRole('heading', { level: 2, name: /^24 GB for €/ }).waitFor();
  await here.getByRole('button', { name: /^Take out .* from A2$/ }).waitFor();
  await like.dragTo(slot('A2'));
  await here.getByRole('button', { name: /^Keep .* in A2$/ }).waitFor();
  // On what is bought for the slot already it changes nothing.
  const before = page.url();
  await like.dragTo(slot('A2'));
  expect(page.url()).toBe(before);
  expect(faults).toEqual([]);
  await context.close();
});

test('a plan of the ladder is changed by hand: it is on it, then no more than today, then too much for the slots', async () => {
  const { page, context, faults } = await onLadder();
  await page.locator('[data-rung] .plan-mark').first().click();
  await page.getByLabel('Selected plan').getByRole('button', { name: 'Change by hand' }).click();
  await panel(page).getByText('It is on the ladder.').waitFor();
  for (;;) {
    const fewer = panel(page).getByRole('button', { name: /^One fewer: / });
    if ((await fewer.count()) === 0) break;
    await fewer.first().click();
  }
  const takeOut = panel(page).getByRole('button', { name: /^Take out .* from A2$/ });
  if ((await takeOut.count()) > 0) await takeOut.click();
  await panel(page).getByText('Nothing would be in the machine: keep a module or add one.').waitFor();
  await panel(page)
    .getByRole('button', { name: /^Keep .* in A2$/ })
    .click();
  await panel(page).getByText('This is what the machine has today').waitFor();
  await panel(page).getByLabel('Add a module').fill('2 x 8 GB');
  const add = panel(page)
    .getByRole('button', { name: /^Add (?!to quote)/ })
    .first();
  await add.click();
  await panel(page)
    .getByRole('heading', { level: 2, name: /^24 GB for €/ })
    .waitFor();
  await add.click();
  await panel(page).getByText('These modules do not go together here: more modules than slots.').waitFor();
  expect(
    await panel(page)
      .getByRole('button', { name: /^Add to quote/ })
      .count(),
  ).toBe(0);
  expect(faults).toEqual([]);
  await context.close();
});

test('a refused offer says why and cannot be added; a missing one comes in from the question why it is missing', async () => {
  const { page, context, faults } = await onLadder();
  await page.getByText('1 offer does not fit: why').click();
  const refused = page.locator('details li').first();
  const [label = '', why = ''] = ((await refused.textContent()) ?? '').split(/: (?=[^:]*$)/);
  await page.keyboard.press('h');
  await panel(page).getByLabel('Add a module').fill(label);
  const row = panel(page).locator('li', { hasText: label });
  await row.getByText(`does not fit: ${why}`).waitFor();
  expect(await row.getByRole('button').count()).toBe(0);
  await panel(page).getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Why is an offer missing?' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.locator('li button').first().click();
  const picked = (await sheet.getByRole('heading', { level: 3 }).textContent()) ?? '';
  await sheet.getByRole('button', { name: 'Add it by hand' }).click();
  await panel(page)
    .getByRole('button', { name: `One more: ${picked}` })
    .waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test('a dear offer of the list of all that fit is composed with, and stands in the set', async () => {
  const { page, context, faults } = await onLadder();
  await page.getByRole('link', { name: 'All fitting offers' }).click();
  await page.waitForURL(/\/offers\?job=/);
  const label =
    (await page
      .getByRole('button', { name: /^Compose with / })
      .last()
      .getAttribute('aria-label')) ?? '';
  const title = label.replace('Compose with ', '');
  // More rows may have come since.
  await page.getByRole('button', { name: label, exact: true }).first().click();
  await page.waitForURL(/by-hand/);
  await panel(page)
    .getByRole('button', { name: `One more: ${title}` })
    .first()
    .waitFor();
  await panel(page)
    .getByRole('heading', { level: 2, name: / for €/ })
    .waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test.each([
  [1280, 'day', 'en'],
  [820, 'back-room', 'de'],
  [390, 'day', 'de'],
] as const)('at %d px, %s, %s: axe finds nothing, and everything has room', async (width, light, language) => {
  const { page, context } = await onLadder({ width, light }, language);
  await page.keyboard.press('h');
  const own = page.getByRole('region', { name: language === 'en' ? 'Compose by hand' : 'Von Hand zusammenstellen' });
  await own
    .getByRole('button', { name: language === 'en' ? /^Add / : / hinzufügen$/ })
    .first()
    .click();
  await own.getByRole('heading', { level: 2, name: /GB/ }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  expect(await layoutFaults(page)).toEqual([]);
  await context.close();
});
