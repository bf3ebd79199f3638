import type { APIRequestContext } from 'playwright-core';
import { closePool, pool } from '../store/database';
import { openWindow } from '../testing/browser/browser';
import { pdfText } from '../testing/browser/pdf-text';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';
import { jobLink } from '../testing/job-link';
import { READER } from '../testing/reader';
import { inLongRun } from './in-long-run';

const stage = openStage();

/** The choir's job of the demo shop: three options on the slip, not yet sent. */
const CHOIR = 2;

async function seenTotals(jobId: number): Promise<{ place: number; totalCents: number }[]> {
  process.env.DATABASE_URL = stage.app.databaseUrl;
  const { showJob } = await import('../service/job/job-state');
  const { draftOptions } = await import('../service/job/options/draft-options');
  const state = await showJob(READER, jobId);
  if (state === null) throw new Error('no such job');
  return draftOptions(state).flatMap((one) =>
    one.ok ? [{ place: one.place, totalCents: one.option.totalCents }] : [],
  );
}

async function textOf(request: APIRequestContext, path: string): Promise<string> {
  const answer = await request.get(path);
  expect(answer.status()).toBe(200);
  // The nonce of the content security policy is another one in every answer.
  return (await answer.text()).replace(/nonce="[^"]*"|"nonce":"[^"]*"|nonce\\?":\\?"[^"\\]*/g, '');
}

test('a quote acknowledged as sent is whole after the process is killed', async () => {
  const { context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  const seen = await seenTotals(CHOIR);
  expect(seen.length).toBe(3);
  const answer = await context.request.post(`/api/jobs/${CHOIR}/quote`, { data: { seen } });
  const sent = await answer.json();
  await stage.app.kill();
  expect(answer.status()).toBe(200);
  await expect(fetch(`${stage.app.base}/api/health`)).rejects.toThrow();

  await stage.app.start();
  const { page } = await openWindow(stage.browser, stage.app.base);
  await page.goto(`/q/${sent.token}`);
  const text = await page.locator('body').innerText();
  expect(text).toContain(sent.number);
  for (const { totalCents } of seen) expect(text).toContain(`€${(totalCents / 100).toFixed(2)}`);
  expect(await page.getByRole('article').count()).toBe(3);
  const paper = await page.request.get(`/q/${sent.token}/pdf`);
  expect(paper.status()).toBe(200);
  expect((await paper.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await context.close();
});

inLongRun(
  'a yes outlives the process at any step: said again it is the same yes',
  async () => {
    process.env.DATABASE_URL = stage.app.databaseUrl;
    const path = `/q/${await jobLink(CHOIR)}`;
    await closePool();
    const quote = await (await fetch(`${stage.app.base}${path}/json`)).json();
    const [option] = quote.options;
    const body = JSON.stringify({
      kind: 'accept',
      place: option.place,
      signed: 'Iver Stroud',
      ticked: option.statements ?? [],
    });
    const say = () =>
      fetch(`${stage.app.base}${path}/answer`, {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json' },
      });
    for (const delay of [0, 4, 10, 25, 60]) {
      const first = say().then(
        ({ ok }) => ok,
        () => false,
      );
      await new Promise((resolve) => setTimeout(resolve, delay));
      await stage.app.kill();
      const acknowledged = await first;
      await stage.app.start();
      const page = await (await fetch(`${stage.app.base}${path}`)).text();
      if (acknowledged) expect(page).toContain('was accepted by Iver Stroud');
    }
    expect((await say()).status).toBe(200);
    expect((await say()).status).toBe(200);
    const answers = await pool().query("select signed from quote_answer where kind = 'accepted'");
    expect(answers.rows.filter(({ signed }) => signed === 'Iver Stroud')).toHaveLength(1);
    await closePool();
  },
  120_000,
);

test('a price that moves afterwards leaves a sent quote as it is, page and paper', async () => {
  const { context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  process.env.DATABASE_URL = stage.app.databaseUrl;
  const { rows } = await pool().query<{
    snapshot: { options: { shop: { bought: { offer: string; costCents: number }[] } }[] };
  }>("select snapshot from quote where state = 'sent' and job_id = $1", [CHOIR]);
  const [quote] = rows;
  if (quote === undefined) throw new Error('nothing was sent');
  const path = `/q/${await jobLink(CHOIR)}`;
  const before = await textOf(context.request, path);
  const paperBefore = await pdfText(context.request, `${path}/pdf`);
  expect(paperBefore).toMatch(/Total +€/);
  const bought = quote.snapshot.options.flatMap((option) => option.shop.bought);
  expect(bought.length).toBeGreaterThan(0);
  for (const { offer, costCents } of bought) {
    const id = Number(offer.replace('offer-', ''));
    const changed = await context.request.post(`/api/offers/${id}/price`, { data: { costCents: costCents * 3 + 7 } });
    expect(changed.status()).toBe(200);
  }
  const after = await pool().query("select snapshot from quote where state = 'sent' and job_id = $1", [CHOIR]);
  expect(after.rows[0].snapshot).toEqual(quote.snapshot);
  expect(await textOf(context.request, path)).toBe(before);
  expect(await pdfText(context.request, `${path}/pdf`)).toBe(paperBefore);
  await closePool();
  await context.close();
});

test('a price that moves between looking and sending stops the sending', async () => {
  const { context, page } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  const chosen = await openOptions(context.request);
  await page.goto(`/jobs/${JOBS.bakery}/quote`);
  await page.getByRole('button', { name: /Send 1 option/ }).waitFor();
  const raised = await context.request.post(`/api/offers/${chosen.offerId}/price`, { data: { costCents: 99_999 } });
  expect(raised.status()).toBe(200);
  await page.getByRole('button', { name: /Send 1 option/ }).click();
  await page.getByRole('alert').filter({ hasText: 'The price of option 1 has changed since you looked' }).waitFor();
  await closePool();
  await context.close();
});

/** Puts the cheapest plan of the bakery's job on its slip. */
async function openOptions(request: APIRequestContext): Promise<{ offerId: number }> {
  process.env.DATABASE_URL = stage.app.databaseUrl;
  const { showJob } = await import('../service/job/job-state');
  const { answer } = await import('../core/planning/search/answer');
  const state = await showJob(READER, 1);
  if (state === null || !state.jobCase.ok) throw new Error('the bakery’s job has gaps');
  const plan = answer(state.jobCase.planCase).plans.find(
    (one) => one.lane === 'third-party' && one.bought.length === 1,
  );
  if (plan === undefined) throw new Error('no plan');
  const put = await request.post(`/api/jobs/${JOBS.bakery}/options`, {
    data: { place: 1, kept: plan.kept, bought: plan.bought },
  });
  expect(put.status()).toBe(200);
  return { offerId: Number(plan.bought[0]?.offer.replace('offer-', '')) };
}

inLongRun('what was ticked on the bench outlives the process in the middle of the list', async () => {
  const context = await stage.browser.newContext({ baseURL: stage.app.base });
  await signIn(context, stage.app.base);
  const post = (path: string, data: unknown) =>
    context.request.post(`${stage.app.base}${path}`, { data, headers: { origin: stage.app.base } });
  expect(
    (await post(`/api/jobs/${JOBS.ferryOffice}/accept`, { place: 1, signed: 'Jonas Pell', ticked: [] })).status(),
  ).toBe(200);
  const { id } = await (await post(`/api/jobs/${JOBS.ferryOffice}/fitting`, null)).json();
  const steps = ['safe.off', 'safe.unplug', 'safe.drain', 'safe.earth'];
  for (const [nr, step] of steps.entries()) {
    const ticked = await post(`/api/jobs/${JOBS.ferryOffice}/fitting/${id}`, { what: 'done', step });
    expect(ticked.status()).toBe(200);
    if (nr % 2 === 0) continue;
    await stage.app.kill();
    await stage.app.start();
  }
  process.env.DATABASE_URL = stage.app.databaseUrl;
  const { rows } = await pool().query<{ step: string }>(
    'select step from fitting_tick where fitting_id = $1 and undone_at is null order by id',
    [id],
  );
  await closePool();
  expect(rows.map(({ step }) => step)).toEqual(steps);
  await context.close();
});
