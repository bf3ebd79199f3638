import type { Page } from 'playwright-core';
import { reportText } from '../demo/report';
import { closePool, pool } from '../store/database';
import { openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

const stage = openStage();

async function newJob(user = 'teo') {
  const window = await openWindow(stage.browser, stage.app.base);
  await signIn(window.context, stage.app.base, user);
  await window.page.goto('/counter');
  await window.page.click('button:has-text("New job")');
  await window.page.waitForURL(/\/intake/);
  return window;
}

/** Waits until the report field holds this text: it is put back once the page is awake. */
async function holds(page: Page, text: string): Promise<void> {
  await page.waitForFunction((wanted) => document.querySelector('textarea')?.value === wanted, text);
}

test('text that is no report: one sentence, and the text still in the field', async () => {
  const { page, context } = await newJob();
  const field = page.getByLabel('What does the machine say?');
  await field.fill('my computer is slow\nplease help');
  await page.click('button:text-is("Read")');
  await page.getByRole('alert').filter({ hasText: 'Fenbrik cannot read this' }).waitFor();
  expect(await field.inputValue()).toBe('my computer is slow\nplease help');
  await page.reload();
  await holds(page, 'my computer is slow\nplease help');
  await context.close();
});

test('unknown sizes and missing rates are read as far as they go, and asked one at a time', async () => {
  const { page, context } = await newJob();
  const report = reportText({
    maker: 'Nobody',
    product: 'Unheard Of 1',
    serial: '',
    cpu: 'Tern 9',
    maxGb: 32,
    devices: [
      { locator: 'ChannelA-DIMM0', mb: 'unknown', rate: 2400 },
      { locator: 'ChannelB-DIMM0', mb: 4096, rate: null },
    ],
  });
  await page.getByLabel('What does the machine say?').fill(report);
  await page.click('button:text-is("Read")');
  await page.getByText('The library does not know this machine.').waitFor();
  const question = page.getByLabel('Question');
  await question.getByText('How large is the module in ChannelA-DIMM0?').waitFor();
  await question.getByRole('button', { name: '4 GB' }).click();
  await question.getByText('How fast is the module in ChannelB-DIMM0?').waitFor();
  await question.getByLabel('Or type it').fill('fast');
  await question.getByRole('button', { name: 'Answer' }).click();
  await question.getByText('Enter the rate as a number, such as 1333.').waitFor();
  await question.getByLabel('Or type it').fill('2400');
  await question.getByRole('button', { name: 'Answer' }).click();
  await question.waitFor({ state: 'detached' });
  await page.click('a:has-text("Continue to Options")');
  await page.locator('[data-rung]').first().waitFor();
  await context.close();
});

test('a target of 0 and a negative budget are told in place, and nothing is saved', async () => {
  const { page, context } = await newJob();
  const need = page.getByLabel('Needs at least').first();
  await need.fill('0');
  await page.getByLabel('Telephone').click();
  await page.getByText('Enter a size above 0, such as 16 GB.').waitFor();
  const budget = page.getByLabel('Budget');
  await budget.fill('-5');
  await page.getByLabel('Telephone').click();
  await page.getByText('Enter an amount above 0, such as 90.').waitFor();
  expect(await need.inputValue()).toBe('0');
  const id = Number(/jobs\/(\d+)/.exec(page.url())?.[1]);
  for (const body of [{ needMiB: 0 }, { budgetCents: -500 }, { needMiB: 1.5 }]) {
    const seen = { needMiB: null, budgetCents: null };
    const answer = await context.request.patch(`/api/jobs/${id}/intake`, { data: { set: body, seen } });
    expect(answer.status()).toBe(422);
    expect((await answer.json()).sentence).toBeTruthy();
  }
  await context.close();
});

test('hostile text is taken without harm: NUL, lone surrogates, a hundred slots, slots of one name', async () => {
  const { context } = await newJob();
  const { id } = await (await context.request.post('/api/jobs')).json();
  const patched = await context.request.patch(`/api/jobs/${id}/intake`, {
    data: { set: { customerName: 'Nul\u0000 Vane\ud800' }, seen: { customerName: '' } },
  });
  expect(patched.status()).toBe(200);
  const read = (text: string) =>
    context.request.post(`/api/jobs/${id}/reading`, {
      multipart: { file: { name: 'x.txt', mimeType: 'text/plain', buffer: Buffer.from(text) } },
    });
  const report = (devices: Parameters<typeof reportText>[0]['devices']) =>
    reportText({ maker: 'Nobody', product: 'One', serial: '', cpu: '', maxGb: 8, devices });
  expect((await read(report([{ locator: 'DIMM_A1234', mb: 4096, rate: 2400 }]))).status()).toBe(200);
  // A NUL makes a file look like no text: it is told so, and breaks nothing.
  expect((await read(report([{ locator: 'DIMM\0A', mb: 4096 }]))).status()).toBe(422);
  const many = Array.from({ length: 100 }, (_, index) => ({ locator: `S${index}`, mb: 1024, rate: 2400 }));
  const refused = await read(report(many));
  expect(refused.status()).toBe(422);
  expect((await refused.json()).sentence).toContain('are over 64');
  const twins = [
    { locator: 'DIMM', mb: 1024 },
    { locator: 'DIMM', mb: 1024 },
    { locator: 'DIMM BANK 0 #1', mb: 1024 },
  ];
  expect([200, 422]).toContain((await read(report(twins))).status());
  expect((await context.request.post('/api/sign-in', { data: { name: 'te\u0000o', password: 'x' } })).status()).toBe(
    401,
  );
  await context.close();
});

test('a total ceiling of 0 is refused on Limits', async () => {
  const { context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  const answer = await context.request.put(`/api/jobs/${JOBS.bakery}/limits`, {
    data: { decisions: [{ limit: 'totalMiB', value: 0 }] },
  });
  expect(answer.status()).toBe(422);
  expect((await answer.json()).sentence).toContain('a limit is more than 0');
  await context.close();
});

test('a negative price is refused in one sentence, on the sheet and at the door behind it', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  await page.goto('/offers?find=used');
  await page
    .getByRole('button', { name: /^Change price/ })
    .first()
    .click();
  await page.getByLabel('Cost without tax').fill('-3');
  await page.click('[role=dialog] button[type=submit]');
  await page.getByText('A price must be above 0: enter an amount such as 24.50.').waitFor();
  expect(await page.getByLabel('Cost without tax').inputValue()).toBe('-3');
  for (const costCents of [-300, 0, 12.5, '5']) {
    const answer = await context.request.post('/api/offers/1/price', { data: { costCents } });
    expect(answer.status()).toBe(422);
  }
  await context.close();
});

test('an unknown role is refused for a new account, and an account with one may nothing', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'runa');
  const account = { name: 'Wren Hollis', signIn: 'wren', role: 'wizard', password: 'long enough to pass' };
  const refused = await context.request.post('/api/staff', { data: account });
  expect(refused.status()).toBe(422);
  expect((await refused.json()).sentence).toBe('A role is one of owner, technician, counter.');
  expect((await context.request.post('/api/staff', { data: { ...account, role: 'counter' } })).status()).toBe(200);
  await page.goto('/people');
  await page.getByText('username wren').waitFor();
  await context.close();
});

test('who may not, is told so and nothing happens', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'edda');
  expect((await context.request.post('/api/offers/1/price', { data: { costCents: 100 } })).status()).toBe(403);
  expect((await context.request.post('/api/staff', { data: {} })).status()).toBe(403);
  await page.goto('/people');
  await page.waitForURL(/\/counter/);
  await page.getByText('Your role does not open that page.').waitFor();
  await context.close();
});

test('a session that ends in the middle of typing loses nothing', async () => {
  const { page, context } = await newJob();
  const id = Number(/jobs\/(\d+)/.exec(page.url())?.[1]);
  await page.getByLabel('Name', { exact: true }).fill('Sunniva Reed');
  await page.getByLabel('Telephone').focus();
  // The page has been drawn again: one still being drawn when the session ends would lead to the sign-in page.
  await page.getByLabel('Draft quote').getByText('Sunniva Reed').waitFor();
  await context.clearCookies({ name: 'fenbrik-session' });
  await page.getByLabel('Telephone').fill('0555 0177');
  await page.getByLabel('E-mail').focus();
  const sheet = page.getByRole('dialog', { name: 'Your session has ended' });
  await sheet.waitFor();
  await sheet.getByLabel('Password').fill('wrong');
  await sheet.getByRole('button', { name: 'Sign in and continue' }).click();
  await sheet.getByText('Name or password is not right.').waitFor();
  await sheet.getByLabel('Password').fill('petrel-street');
  // What had to be saved is saved then.
  const kept = page.waitForResponse((response) => response.url().endsWith('/intake') && response.ok());
  await sheet.getByRole('button', { name: 'Sign in and continue' }).click();
  await sheet.waitFor({ state: 'detached' });
  await kept;
  expect(await page.getByLabel('Telephone').inputValue()).toBe('0555 0177');
  await page.reload();
  expect(await page.getByLabel('Telephone').inputValue()).toBe('0555 0177');
  process.env.DATABASE_URL = stage.app.databaseUrl;
  const { rows } = await pool().query(
    'select customer.name, phone from job join customer on customer.id = customer_id where job.id = $1',
    [id],
  );
  expect(rows).toEqual([{ name: 'Sunniva Reed', phone: '0555 0177' }]);
  await closePool();
  await context.close();
});

test('an answer from before the signing in does not ask to sign in again', async () => {
  const { page, context } = await newJob();
  await page.getByLabel('Name', { exact: true }).fill('Sunniva Reed');
  // The first change is answered late, as on a slow line: after somebody has signed in again.
  let held = 0;
  await page.route('**/intake', async (route) => {
    const answer = await route.fetch();
    if (held++ === 0) await new Promise((resolve) => setTimeout(resolve, 4000));
    await route.fulfill({ response: answer });
  });
  await context.clearCookies({ name: 'fenbrik-session' });
  await page.getByLabel('Telephone').fill('0555 0177');
  await page.getByLabel('E-mail').click();
  const sheet = page.getByRole('dialog', { name: 'Your session has ended' });
  await sheet.getByLabel('Password').fill('petrel-street');
  await sheet.getByRole('button', { name: 'Sign in and continue' }).click();
  await sheet.waitFor({ state: 'detached' });
  await page.getByLabel('Draft quote').getByText('Sunniva Reed').waitFor();
  expect(await sheet.count()).toBe(0);
  expect(held).toBe(4);
  await context.close();
});

test('what was typed is still there when the page itself had to be left for signing in', async () => {
  const { page, context } = await newJob();
  const path = new URL(page.url()).pathname;
  await page.getByLabel('What does the machine say?').fill('half a rep');
  await context.clearCookies({ name: 'fenbrik-session' });
  await page.goto(path);
  await page.waitForURL(/\/sign-in/);
  await page.fill('input[name=name]', 'teo');
  await page.fill('input[name=password]', 'petrel-street');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.waitForURL(new RegExp(`${path}$`));
  await holds(page, 'half a rep');
  await context.close();
});

test('a quote link with a wrong token is a plain not-found that tells nothing', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  const bodies = [];
  for (const token of ['A'.repeat(43), 'short', "x'%20or%201=1--", '..%2f..%2fcounter']) {
    const answer = await page.goto(`/q/${token}`);
    expect(answer?.status()).toBe(404);
    bodies.push(await page.locator('body').innerText());
    const paper = await context.request.get(`/q/${token}/pdf`);
    expect(paper.status()).toBe(404);
  }
  expect(new Set(bodies).size).toBe(1);
  expect(bodies[0]).not.toMatch(/quote|token|session/i);
  await context.close();
});

test('a write that another site makes a browser send is refused', async () => {
  const { context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  const senders: Record<string, string>[] = [
    { origin: 'http://elsewhere.example', 'sec-fetch-site': 'cross-site' },
    { origin: 'http://elsewhere.example' },
    { origin: 'null' },
  ];
  for (const headers of senders) {
    const answer = await context.request.post('/api/jobs', { headers });
    expect([headers.origin, answer.status()]).toEqual([headers.origin, 403]);
  }
  expect((await context.request.post('/api/jobs', { headers: { origin: stage.app.base } })).status()).toBe(200);
  await context.close();
});

test('without a session every page leads to the door and every handler says so', async () => {
  const { page, context } = await openWindow(stage.browser, stage.app.base);
  for (const path of [
    '/',
    '/counter',
    `/jobs/${JOBS.bakery}`,
    `/jobs/${JOBS.bakery}/options`,
    '/models',
    '/offers',
    '/people',
  ]) {
    await page.goto(path);
    expect(new URL(page.url()).pathname).toBe('/sign-in');
  }
  expect((await context.request.post('/api/jobs')).status()).toBe(401);
  expect((await context.request.put(`/api/jobs/${JOBS.bakery}/slots`, { data: {} })).status()).toBe(401);
  await context.close();
});
