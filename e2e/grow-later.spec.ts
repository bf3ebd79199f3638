import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

test('a plan says what the next step up would cost from there, and what of it would stay', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.bakery}/options?open=`);
  await ladderDrawn(page);
  const strip = page.getByLabel('Selected plan');
  await page.getByRole('button', { name: /enough/ }).click();
  await strip.getByText(/^Later: \d+ GB for €\d+\.\d\d at today’s prices; nothing is thrown away\.$/).waitFor();
  // The largest that fits leads nowhere.
  await page.getByRole('button', { name: /most/ }).click();
  await strip.getByText(/^Later: nothing more\. No offer takes the machine further from here/).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  // The plan itself says the same.
  await page.getByRole('button', { name: 'Open plan' }).click();
  await page
    .getByRole('dialog')
    .getByText(/^Later: nothing more/)
    .waitFor();
  expect(faults).toEqual([]);
  await context.close();
});

test('where nobody knows how much is needed, it is asked what for; what is suggested goes by that', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.choir}/options?open=`);
  await ladderDrawn(page);
  const suggested = page.getByRole('region', { name: 'Suggested' });
  const question = suggested.getByLabel('What is it for?');
  await question.waitFor();
  expect(await axeFindings(page)).toEqual([]);
  const enough = suggested.getByRole('button', { name: /^1 enough/ });
  expect(await enough.getAttribute('title')).toContain('the first step up that pays');
  // The last of the list needs the most.
  const uses = await question.locator('option').allTextContents();
  const use = uses.at(-1) ?? '';
  await question.selectOption({ label: use });
  await question.waitFor({ state: 'hidden' });
  await page.waitForFunction(
    (words) => document.querySelector('[aria-label="Suggested"] button')?.getAttribute('title')?.includes(words),
    `${use} needs `,
  );
  expect(faults).toEqual([]);
  await context.close();
});
