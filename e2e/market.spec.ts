import { readFileSync } from 'node:fs';
import { DEMO_SELLERS } from '../demo/sellers';
import { closePool, pool } from '../store/database';
import { setFeedUrl } from '../store/market/feeds';
import { axeFindings, ladderDrawn, openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';
import { openTestFeeds } from '../testing/feeds';
import { inLongRun } from './in-long-run';

const stage = openStage();

test('offers are found by words and facts, sorted, and by what a machine takes; a module finds its twin', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'edda');
  await page.goto('/offers');
  await page.getByLabel('Find offers').fill('16 gb ddr4 so-dimm original');
  const rows = page.getByRole('region', { name: /DDR4 SO-DIMM, by price/ }).getByRole('listitem');
  await rows.first().waitFor();
  // Only one kind of module is left, so there is none to choose.
  await page.getByRole('navigation', { name: 'Module types' }).waitFor({ state: 'detached' });
  for (const text of await rows.allInnerTexts()) expect(text).toMatch(/original for \w[\s\S]*16 GB DDR4/);
  // Sorted by keyboard, and the address says where one is.
  await page.getByRole('radio', { name: 'price', exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await page.getByRole('region', { name: /DDR4 SO-DIMM, by cost of a GB/ }).waitFor();
  await page.waitForURL(/sort=per-gib/);
  await page.reload();
  expect(await page.getByLabel('Find offers').inputValue()).toBe('16 gb ddr4 so-dimm original');
  // The counter sees what a customer pays and not what that costs, until an owner says so.
  const found = page.getByRole('region', { name: /DDR4 SO-DIMM, by cost of a GB/ }).getByRole('listitem');
  await found.first().waitFor();
  for (const name of [/^Export CSV/, /^Prices /]) expect(await page.getByRole('button', { name }).count()).toBe(0);
  expect(await found.getByText('we pay').count()).toBe(0);
  const owner = await openWindow(stage.browser, stage.app.base);
  await signIn(owner.context, stage.app.base, 'runa');
  await owner.page.goto('/settings');
  await owner.page.getByLabel('The counter role sees costs and margins').check();
  await owner.page.getByRole('button', { name: 'Save roles' }).click();
  await owner.page.getByRole('region', { name: 'Roles' }).getByText('Saved.').waitFor();
  await owner.context.close();
  await page.reload();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export CSV' }).click(),
  ]);
  const lines = readFileSync(await file.path(), 'utf8')
    .trimEnd()
    .split('\r\n');
  expect(lines[0]).toMatch(/^text,seller,origin/);
  expect(lines.length).toBeGreaterThan(1);
  for (const line of lines.slice(1)) expect(line).toMatch(/,original,.*,16,DDR4,SO-DIMM,/);
  // The counter's staff see prices and note none.
  await page
    .getByRole('button', { name: /^Prices / })
    .first()
    .click();
  const sheet = page.getByRole('dialog', { name: 'Prices' });
  await sheet.getByRole('region', { name: 'Price history' }).getByRole('listitem').first().waitFor();
  expect(await sheet.getByRole('button', { name: 'Save', exact: true }).count()).toBe(0);
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByLabel('Find offers').fill('nobody makes this');
  await page.getByText('No offer matches.').waitFor();

  await page.goto(`/jobs/${JOBS.bakery}/options`);
  await page.getByRole('link', { name: 'All fitting offers' }).click();
  await page.getByText(/^fits /).waitFor();
  await page
    .getByRole('region', { name: /Fits the machine/ })
    .getByRole('listitem')
    .first()
    .waitFor();
  await page.getByRole('button', { name: 'show all' }).click();
  await page.getByRole('navigation', { name: 'Module types' }).getByText('DDR2 SO-DIMM').waitFor();

  await page.goto(`/jobs/${JOBS.bakery}/limits`);
  await page
    .getByRole('button', { name: /\d GB.*Change this slot/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Find matching modules' }).click();
  await page.waitForURL(/\/offers\?find=/);
  expect(await page.getByLabel('Find offers').inputValue()).toMatch(/GB DDR\d-\d+/);
  expect(faults).toEqual([]);
  await context.close();
});

inLongRun(
  'a seller’s feed goes through its moods while plans are made: what is sick changes nothing and shows its age',
  async () => {
    process.env.DATABASE_URL = stage.app.databaseUrl;
    const [quayside] = DEMO_SELLERS;
    // Cheap enough to be seen on the ladder, not so cheap that it looks like a slip.
    const feeds = await openTestFeeds('error,slow,half,nonsense,well', (catalogue) => ({
      ...catalogue,
      sellers: {
        [quayside.slug]: (catalogue.sellers[quayside.slug] ?? []).map((item: { costCents: number }) => ({
          ...item,
          costCents: Math.round(item.costCents * 0.7),
        })),
      },
    }));
    try {
      await setFeedUrl(pool(), quayside.name, feeds.url(quayside.slug));
      // Only when it is asked by hand: the test says which mood is looked at.
      await pool().query("update seller_feed set next_at = now() + interval '1 day'");
      await closePool();
      const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
      await signIn(context, stage.app.base, 'teo');
      const other = await context.newPage();
      const ladder = async () => {
        await other.goto(`/jobs/${JOBS.bakery}/options`);
        await ladderDrawn(other);
        return other.locator('main').innerText();
      };
      const before = await ladder();
      await page.goto('/offers');
      for (const [sentence, seconds] of [
        ['the feed answered 500', 5],
        ['the feed took longer than 5 seconds', 0],
        ['the feed broke off in the middle', 5],
        ['the feed makes no sense at items.0.part', 5],
      ] as const) {
        await page.getByRole('button', { name: 'Update prices from sellers' }).click();
        if (seconds === 0) expect(await ladder()).toBe(before);
        await page.getByText(sentence).first().waitFor();
        expect(await ladder()).toBe(before);
      }
      await page.reload();
      await page.getByText('△ feed: the feed makes no sense').waitFor();
      await page.getByLabel('Find offers').fill('quayside ddr4');
      await page.getByText('△ the feed never answered').first().waitFor();
      expect(await axeFindings(page)).toEqual([]);

      await page.getByRole('button', { name: 'Update prices from sellers' }).click();
      await page
        .getByText(/prices moved/)
        .first()
        .waitFor();
      await page.getByText('△ the feed never answered').first().waitFor({ state: 'detached' });
      expect(await ladder()).not.toBe(before);
      expect(faults).toEqual([]);
      await context.close();
    } finally {
      feeds.stop();
    }
  },
);

test('a machine that is not bought yet: the maker’s configurations beside fitting it here, and what is soldered', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  await page.goto('/counter');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/jobs\/\d+\/intake/);
  await page.getByLabel('What does the machine say?').fill('ostrell sling 14');
  await page.getByRole('button', { name: /Ostrell Sling 14/ }).click();
  await page.getByRole('heading', { name: 'Ostrell Sling 14' }).waitFor();
  await page.getByLabel(/not bought/).click();
  await page.getByRole('checkbox', { name: /not bought/, checked: true }).waitFor();
  await page.goto(page.url().replace('intake', 'options'));
  const yardstick = page.getByRole('region', { name: 'The maker’s surcharges' });
  await yardstick.getByText('Buy it with more, or fit it here?').waitFor();
  await yardstick
    .getByText('△ 8 GB of memory is soldered and stays as bought; later only one slot can be filled.')
    .waitFor();
  await yardstick.getByText('Bought with 8 GB, the smallest configuration, and fitted here:').waitFor();
  const [sixteen = '', twentyFour = ''] = await yardstick.getByRole('listitem').allInnerTexts();
  expect(sixteen).toMatch(/16 GB\s+from the maker €140\.00 more\s+fitted here €[\d.]+, saves €[\d.]+/);
  expect(twentyFour).toMatch(/only as OS14-G2P\s+fitted here/);
  await yardstick.getByText(/sells it with 24 GB at most/).waitFor();
  // It is shown and not sold: no mark of the ladder is the maker's.
  expect(await yardstick.getByRole('button').count()).toBe(0);
  expect(await axeFindings(page)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
});

test('a piece is put on the shelf by its label, with the job it came from, and taken off', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  await page.goto('/offers');
  await page.getByRole('button', { name: 'Add a used module' }).click();
  const sheet = page.getByRole('dialog', { name: 'Add a used module' });
  await sheet.getByLabel('Module label, typed or pasted').fill('Corrick 16GB');
  await sheet.getByRole('button', { name: 'Add', exact: true }).click();
  await sheet.getByText('The label does not say enough').waitFor();
  await sheet.getByLabel('Module label, typed or pasted').fill('Corrick 16GB 2Rx8 DDR4-2666 CL19 DIMM');
  await sheet
    .getByText(/^module 16 GB|16 GB DDR4/)
    .first()
    .waitFor();
  await sheet.getByLabel('Value').fill('5.00');
  await sheet.getByLabel('From job').fill('2');
  expect(await axeFindings(page)).toEqual([]);
  await sheet.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByText('In stock, worth €5.00 to us.').waitFor();
  const shelf = page.getByRole('region', { name: 'Used modules in stock' });
  const piece = shelf.getByRole('listitem').filter({ hasText: 'grade B' });
  await piece.getByRole('link', { name: 'job 2' }).waitFor();
  await piece.getByRole('button', { name: /^Remove/ }).click();
  await piece.waitFor({ state: 'detached' });
  expect(await axeFindings(page)).toEqual([]);
  expect(faults).toEqual([]);
  await context.close();
});

test('a title with a price that is dropped on a job is an offer of it at once', async () => {
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'teo');
  const ladder = async () => {
    await page.goto(`/jobs/${JOBS.bakery}/options`);
    await ladderDrawn(page);
    return page.locator('[data-rung="16384"]').innerText();
  };
  const before = await ladder();
  await page.goto(`/jobs/${JOBS.bakery}/intake`);
  await page.getByLabel('What does the machine say?').fill('Corrick 16GB DDR4-2400 CL17 DIMM, new, 6.00 EUR');
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await page.getByText('It is an offer of this job now: €6.00 at Seen elsewhere.').waitFor();
  expect(await ladder()).not.toBe(before);
  expect(faults).toEqual([]);
  await context.close();
});

test('background work that failed is decided on under Settings: tried again, or discarded', async () => {
  process.env.DATABASE_URL = stage.app.databaseUrl;
  for (const about of [901, 902])
    await pool().query(
      `select graphile_worker.add_job('read-list', json_build_object('id', $1::int), queue_name => 'lists', max_attempts => 1,
         job_key => 'read-list:' || $1::int, run_at => now() + interval '1 day')`,
      [about],
    );
  await pool().query(
    `update graphile_worker._private_jobs set attempts = 1, last_error = 'no room left on the disk' where key like 'read-list:90%'`,
  );
  const { page, context, faults } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base, 'runa');
  await page.goto('/settings');
  const work = page.getByRole('region', { name: 'Background work' });
  await work.getByText('no room left on the disk').first().waitFor();
  await work.getByRole('button', { name: 'Discard: Read a price list' }).first().click();
  await work.getByText('no room left on the disk').nth(1).waitFor({ state: 'detached' });
  // There is no such list, so there is nothing to be done: tried again, it is done.
  await work.getByRole('button', { name: 'Retry: Read a price list' }).focus();
  await page.keyboard.press('Enter');
  await work.getByText('Nothing has failed.').waitFor();
  expect(await axeFindings(page)).toEqual([]);
  let ready = { queue: { failed: 1 }, lastSuccess: {} as Record<string, string> };
  for (let looks = 0; looks < 100 && ready.lastSuccess['read-list'] === undefined; looks++) {
    ready = await (await context.request.get('/api/ready')).json();
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  expect(ready.queue.failed).toBe(0);
  expect(ready.lastSuccess['read-list']).toBeDefined();
  // Nobody but an owner decides.
  const other = await openWindow(stage.browser, stage.app.base);
  await signIn(other.context, stage.app.base, 'teo');
  expect((await other.context.request.post('/api/tasks/1', { data: { act: 'retry' } })).status()).toBe(403);
  expect(faults).toEqual([]);
  await other.context.close();
  await context.close();
  await closePool();
}, 120_000);
