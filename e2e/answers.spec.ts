import { createHash } from 'node:crypto';
import type { Locator, Page } from 'playwright-core';
import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { pdfText } from '../testing/browser/pdf-text';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';
import { inLongRun } from './in-long-run';

const stage = openStage();

/** The photo club's box goes beyond its papers: its quote has statements to agree to. */
const JOB = 5;
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } as const;

async function desk() {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOB}/quote`);
  const link = await page.getByRole('link', { name: 'Customer’s page' }).first().getAttribute('href');
  return { page, context, faults, link: link ?? '' };
}

async function phone(link: string) {
  const context = await stage.browser.newContext({ ...PHONE, baseURL: stage.app.base });
  const page = await context.newPage();
  await page.goto(link);
  return { page, context };
}

/** Presses a key until something is there: a page that has just been drawn may not hear the first. */
async function pressTill(page: Page, key: string, there: Locator): Promise<void> {
  for (let presses = 0; presses < 40; presses++) {
    await page.keyboard.press(key);
    if (
      await there.waitFor({ timeout: 3_000 }).then(
        () => true,
        () => false,
      )
    )
      return;
  }
  throw new Error(`${key} does nothing`);
}

const saysYes = (page: Page) => page.getByRole('button', { name: /^Accept/ });

test('on a telephone: a question, a no, then a yes with its statements; another window is told kindly, the job says so', async () => {
  const shop = await desk();
  await shop.page.getByText('not opened yet').waitFor();
  const { page, context } = await phone(shop.link);
  const other = await phone(shop.link);
  expect(await axeFindings(page)).toEqual([]);
  // Nothing is wider than the telephone.
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  await page.getByText('Ask us something').tap();
  await page.getByLabel('Your question').fill('Can you keep my old modules for the spare box?');
  await page.getByRole('button', { name: 'Send the question' }).tap();
  await page.getByText('Sent. Our answer will appear here.').waitFor();

  await page.getByText('Decline', { exact: true }).tap();
  await page.getByLabel('Reason (optional)').fill('I have to ask the treasurer.');
  await page.getByRole('button', { name: 'Decline the quote' }).tap();
  await page.getByText(/^You declined this on/).waitFor();

  // A yes says what is missing, and keeps what was typed and ticked.
  await saysYes(page).tap();
  await page.getByText('Type your name: it is your signature.').waitFor();
  await page.getByLabel('Your name as signature').fill('Lisbet Arkwright');
  await saysYes(page).tap();
  await page.getByText(/statements are not ticked yet/).waitFor();
  const statements = page.getByRole('group', { name: /^Please read/ }).getByRole('checkbox');
  for (const one of await statements.all()) await one.check();
  expect(await page.getByLabel('Your name as signature').inputValue()).toBe('Lisbet Arkwright');
  expect(await axeFindings(page)).toEqual([]);
  await saysYes(page).tap();
  await page.getByText(/Option 1, 64 GB for €[\d.]+, was accepted by Lisbet Arkwright/).waitFor();
  expect(await saysYes(page).count()).toBe(0);

  // The window beside it does not know yet.
  await other.page.getByRole('radio', { name: /^Option 2/ }).check();
  await other.page.getByLabel('Your name as signature').fill('Jory Arkwright');
  await saysYes(other.page).tap();
  await other.page.getByText(/was accepted by Lisbet Arkwright/).waitFor();
  expect(await saysYes(other.page).count()).toBe(0);

  await shop.page.reload();
  await shop.page.getByText(/option 1 accepted on/).waitFor();
  await shop.page.getByText('Signed “Lisbet Arkwright”').waitFor();
  // What went out stands as the customer reads it, and what was said yes to stands out.
  const sent = shop.page.getByRole('list', { name: /^Options of 20/ }).locator(':scope > li');
  expect(await sent.count()).toBe(2);
  const chosen = sent.filter({ hasText: '✓ accepted' });
  expect(await chosen.count()).toBe(1);
  const [, price = 'no price'] = /for (€[\d.]+), was accepted/.exec(await page.locator('body').innerText()) ?? [];
  expect(await chosen.innerText()).toContain(price.replace(/\.$/, ''));
  await shop.page.getByText('“Can you keep my old modules for the spare box?”').waitFor();
  await shop.page.getByLabel('Your answer, shown to the customer').fill('Yes, they are yours.');
  await shop.page.getByRole('button', { name: 'Answer' }).click();
  await shop.page.getByText('“Yes, they are yours.”').waitFor();
  await page.reload();
  await page.getByText('Yes, they are yours.').waitFor();
  // The counter says what the job waits for now.
  await shop.page.goto('/counter');
  await shop.page.getByText('Order parts for option 1').first().waitFor();
  expect(shop.faults).toEqual([]);
  await Promise.all([context.close(), other.context.close(), shop.context.close()]);
}, 300_000);

test('with the network gone what was typed stays, and the same yes goes through later', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto(`/jobs/${JOBS.ferryOffice}/quote`);
  const link = (await page.getByRole('link', { name: 'Customer’s page' }).first().getAttribute('href')) ?? '';
  await context.close();
  const customer = await phone(link);
  await customer.page.getByLabel('Your name as signature').fill('Wenna Tolley');
  await customer.context.setOffline(true);
  await saysYes(customer.page).tap();
  await customer.page.getByText('What you typed is still here').waitFor();
  expect(await customer.page.getByLabel('Your name as signature').inputValue()).toBe('Wenna Tolley');
  await customer.context.setOffline(false);
  await saysYes(customer.page).tap();
  await customer.page.getByText(/was accepted by Wenna Tolley/).waitFor();
  await customer.context.close();
}, 300_000);

inLongRun(
  'sent, opened, accepted on a telephone; then a price moves, and a change order is out',
  async () => {
    const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
    await signIn(context, stage.app.base);
    await page.goto(`/jobs/${JOBS.bakery}/options?open=`);
    await ladderDrawn(page);
    await page.keyboard.press('0');
    await page.getByRole('region', { name: 'Draft quote' }).locator('li').nth(2).getByText(/GB/).first().waitFor();
    const third = await page.locator('.plan-mark[aria-label*="option 3 in the draft quote"]').getAttribute('data-plan');
    const bought = /xoffer-(\d+)$/.exec(third ?? '')?.[1];
    await page.goto(`/jobs/${JOBS.bakery}/quote`);
    await page.getByRole('button', { name: /^Send 3 options/ }).waitFor();
    await pressTill(page, 's', page.getByText(/Quote 20\d\d-\d{4} is sent/));
    const link = (await page.getByRole('link', { name: 'Customer’s page' }).first().getAttribute('href')) ?? '';

    const customer = await phone(link);
    await customer.page.getByRole('radio', { name: /^Option 3/ }).check();
    for (const one of await customer.page.getByRole('checkbox').all()) await one.check();
    await customer.page.getByLabel('Your name as signature').fill('Oddny Fairlie');
    await saysYes(customer.page).tap();
    await customer.page.getByText(/was accepted by Oddny Fairlie/).waitFor();
    const frozen = await customer.page.getByRole('article').nth(2).innerText();

    // The paper is told from others by its code.
    await customer.page.getByText('Verify a printed quote').tap();
    const code = await customer.page.locator('code').innerText();
    const paper = (await pdfText(customer.page.request, `${link}/pdf`)).replace(/\s+/g, ' ');
    expect(paper).toContain(code);
    await customer.page.getByLabel('The first letters of the code').fill(code.slice(0, 17).toUpperCase());
    await customer.page.getByText('✓ This is the quote as it was sent.').waitFor();
    const data = await customer.page.request.get(`${link}/json`);
    expect(
      createHash('sha256')
        .update(await data.body())
        .digest('hex'),
    ).toBe(code.replaceAll(' ', ''));

    // What the third option buys of a seller costs more from now on.
    await page.goto(`/jobs/${JOBS.bakery}/quote`);
    await page.getByText(/option 3 accepted on/).waitFor();
    const moved = await context.request.post(`/api/offers/${bought}/price`, {
      data: { costCents: 9_900 },
      headers: { origin: stage.app.base },
    });
    expect(moved.ok()).toBe(true);
    await page.reload();
    await page.getByText(/^Option 3: .* more each .*; it leaves /).waitFor();
    await pressTill(page, 'r', page.getByText('Look, then send it as a new version.'));
    // What was accepted is changed by nobody's slip of a key.
    await page.getByText(/Oddny Fairlie accepted option 3 of 20\d\d-\d{4} on .* A change order replaces it/).waitFor();
    expect(await page.getByRole('button', { name: /^Send change order/ }).isDisabled()).toBe(true);
    await page.getByLabel('Change the accepted order').check();
    expect(await axeFindings(page)).toEqual([]);
    await page.getByRole('heading', { name: 'This goes to the customer' }).click();
    await pressTill(page, 's', page.getByText(/Quote 20\d\d-\d{4} is sent/));
    await page.getByText(/option 3 accepted on .*, then changed/).waitFor();
    const changed = (await page.getByRole('link', { name: 'Customer’s page' }).first().getAttribute('href')) ?? '';

    // The accepted version keeps its yes and says what came after; what it promised is what it was.
    await customer.page.reload();
    await customer.page.getByText('A newer quote changes this order.').waitFor();
    await customer.page.getByText(/was accepted by Oddny Fairlie/).waitFor();
    expect(await customer.page.getByRole('article').nth(2).innerText()).toBe(frozen);
    await customer.page.goto(changed);
    await customer.page.getByText(/^This changes your order: on .* you accepted option 3 of quote/).waitFor();
    await saysYes(customer.page).waitFor();
    expect(faults).toEqual([]);
    await Promise.all([context.close(), customer.context.close()]);
  },
  300_000,
);
