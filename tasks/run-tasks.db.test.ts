import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync } from 'node:fs';
import { createServer, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { endFailed, showBackground } from '../service/background';
import { mailOrder } from '../service/mail/mail';
import { showList, takeList } from '../service/market/price-lists';
import { saveCustomerAddress } from '../service/shop/customer-address';
import { openMailServer } from '../standin/mail-server';
import { many, one, pool, run } from '../store/database';
import { allowHost } from '../store/market/feeds';
import { LiveWorkers } from '../store/queue/live-workers';
import { addTask, queueNumbers } from '../store/queue/queue';
import { amount } from '../testing/amount';
import { READER } from '../testing/reader';
import { as, listFile, must, openTestShop, quayside } from '../testing/shop';
import { startTasks, type Tasks } from './run-tasks';

const shop = openTestShop();
let tasks: Tasks | undefined;
const programs: ChildProcess[] = [];
const servers: Server[] = [];

afterEach(async () => {
  await tasks?.stop();
  tasks = undefined;
  for (const program of programs.splice(0)) {
    if (program.exitCode !== null || program.signalCode !== null) continue;
    program.kill('SIGTERM');
    await once(program, 'exit');
  }
  for (const server of servers.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
  await run(pool(), 'delete from seller_feed');
  await run(pool(), 'delete from graphile_worker._private_jobs');
  // What a process that was killed had locked beside its tasks is freed with those, which are gone.
  await run(pool(), 'delete from graphile_worker._private_job_queues');
});

async function until(what: string, isSo: () => Promise<boolean>, forMs = 30_000): Promise<void> {
  for (const end = Date.now() + forMs; Date.now() < end; ) {
    if (await isSo()) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`${what}: not so after ${forMs} ms`);
}

/** Another process on the same database that does tasks. */
async function process2(): Promise<ChildProcess> {
  const program = spawn(process.execPath, ['--import', 'tsx', join(__dirname, 'testing', 'do-tasks.ts')], {
    env: { ...process.env, DATABASE_URL: shop.database.appUrl },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  programs.push(program);
  await new Promise<void>((resolve) => {
    program.stdout?.on('data', (text) => String(text).includes('at work') && resolve());
  });
  return program;
}

/** Sellers, each with a feed of its own at a server that is asked. @returns their ids and how often each was asked */
async function sellersWithFeeds(count: number, answer: (response: ServerResponse) => void) {
  const asked = new Map<string, number>();
  const server = createServer((request, response) => {
    asked.set(request.url ?? '', (asked.get(request.url ?? '') ?? 0) + 1);
    answer(response);
  });
  servers.push(server);
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  await allowHost(pool(), { host, own: true, staffId: null });
  const rows = await many<{ id: number }>(
    pool(),
    `with made as (
       insert into seller (name, lead_days) select 'Counted seller ' || $2 || ' ' || n, 3 from generate_series(1, $1) as n returning id
     ), fed as (
       insert into seller_feed (seller_id, url, next_at) select id, 'http://' || $2 || '/' || id, now() + interval '1 hour' from made
     ) select id from made`,
    [count, host],
  );
  return { ids: rows.map(({ id }) => id), asked };
}

/** What a minute's clock puts into the queue. */
const addRound = (): Promise<number> =>
  run(
    pool(),
    `select graphile_worker.add_job('ask-due-feeds', queue_name => 'feeds', max_attempts => 1, job_key => 'ask-due-feeds')`,
  );

const nothingNew = (response: ServerResponse): void => {
  // Each takes a while, so that there is work for both.
  setTimeout(() => response.end(JSON.stringify({ fenbrik: 'feed/1', currency: 'EUR', items: [] })), 20);
};

describe('tasks of the queue', () => {
  it('are done once each, by two processes', async () => {
    const { ids, asked } = await sellersWithFeeds(amount(30, 80), nothingNew);
    await run(pool(), 'create table taken_by (job bigint, worker text)');
    await run(
      pool(),
      `create function note_taken() returns trigger language plpgsql security definer as $$
       begin insert into public.taken_by values (new.id, new.locked_by); return null; end $$`,
    );
    await run(
      pool(),
      `create trigger note_taken after update of locked_by on graphile_worker._private_jobs
       for each row when (new.locked_by is not null) execute function note_taken()`,
    );
    await Promise.all([process2(), process2()]);
    for (const sellerId of ids) await addTask(pool(), 'ask-feed', { sellerId }, { about: sellerId });
    await until('all feeds are asked', async () => asked.size === ids.length);
    await until('the queue is empty', async () => {
      const { waiting, running } = await queueNumbers(pool());
      return waiting + running === 0;
    });
    expect([...asked.values()].every((times) => times === 1)).toBe(true);
    const jobs = await many<{ times: number }>(
      pool(),
      `select count(*)::int as times from taken_by group by job having count(*) > 1`,
    );
    expect(jobs).toEqual([]);
    const { workers } = await one<{ workers: number }>(
      pool(),
      'select count(distinct worker)::int as workers from taken_by',
    );
    // More than one process has: both were at it.
    expect(workers).toBeGreaterThan(4);
    await run(pool(), 'drop trigger note_taken on graphile_worker._private_jobs');
  }, 60_000);

  it('that a process took which has ended are given to others, and those of living ones are not', async () => {
    const { ids, asked } = await sellersWithFeeds(1, () => {});
    const [sellerId = 0] = ids;
    const program = await process2();
    await addTask(pool(), 'ask-feed', { sellerId }, { about: sellerId });
    await until('the feed is asked', async () => asked.size === 1);
    await run(
      pool(),
      "update graphile_worker._private_jobs set locked_at = now() - interval '1 minute' where locked_at is not null",
    );
    const live = new LiveWorkers(shop.database.url);
    expect(await live.look()).toEqual([]);
    expect(await live.look()).toEqual([]);
    program.kill('SIGKILL');
    await once(program, 'exit');
    const free = () =>
      many(pool(), "select key, attempts from graphile_worker.jobs where key like 'ask-feed%' and locked_at is null");
    expect(await free()).toEqual([]);
    // The process may have had a round of its clock in hand, too: then more than one of its workers is dead.
    await until('its task is given to others', async () => {
      await live.look();
      return (await free()).length > 0;
    });
    expect(await free()).toEqual([{ key: `ask-feed:${sellerId}`, attempts: 1 }]);
  }, 60_000);

  it('of a list that always fails keep no mail from going, and an owner decides on it', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'fenbrik-poison-'));
    const mail = await openMailServer(folder);
    process.env.FENBRIK_SMTP = `smtp://127.0.0.1:${mail.port}`;
    process.env.FENBRIK_LIST_PATIENCE = '1';
    const runa = await as('runa');
    try {
      must(await saveCustomerAddress(runa, { address: 'http://shop.example' }));
      await run(pool(), "update shop set mail_from = 'desk@petrel.example'");
      const { seller } = await quayside();
      await run(
        pool(),
        `create function poison() returns trigger language plpgsql as $$
         begin raise exception 'this list is poison'; end $$`,
      );
      await run(
        pool(),
        'create trigger poison before insert on price_list_work for each row execute function poison()',
      );
      const { id } = must(await takeList(shop.teo, seller.id, listFile('poison.csv', ['SKU,Price', 'P-1,2.00'])));
      tasks = await startTasks(shop.database.url);
      await until('the list has failed for good', async () => {
        await run(pool(), 'update graphile_worker._private_jobs set run_at = now() where locked_at is null');
        return (await queueNumbers(pool())).failed === 1;
      });
      expect((await showList(READER, id))?.list).toMatchObject({
        state: 'failed',
        sentence: expect.stringContaining('Background work'),
      });
      // Mail goes meanwhile.
      const order = await one<{ id: number }>(
        pool(),
        'select id from part_order where cancelled_at is null order by id limit 1',
      );
      await run(pool(), "update seller set order_mail = 'orders@quayside.example'");
      must(await mailOrder(shop.teo, order.id));
      await until(
        'the mail went',
        async () =>
          (
            await one<{ went: boolean }>(
              pool(),
              "select exists (select from mail where order_id = $1 and state = 'sent') as went",
              [order.id],
            )
          ).went,
      );
      const { failed, numbers, runs } = await showBackground(READER);
      expect(numbers.failed).toBe(1);
      expect(failed).toMatchObject([{ kind: 'read-list', about: id, attempts: 4, cause: 'this list is poison' }]);
      expect(runs.find(({ kind }) => kind === 'send-mail')?.succeededAt).not.toBeNull();
      expect(runs.find(({ kind }) => kind === 'read-list')?.failedAt).not.toBeNull();
      // What was wrong is fixed: tried again, it is read.
      await run(pool(), 'drop trigger poison on price_list_work');
      must(await endFailed(runa, failed[0]?.id ?? 0, { act: 'retry' }));
      await until('the list is read', async () => (await showList(READER, id))?.list.state === 'looked-at');
      expect(await endFailed(runa, failed[0]?.id ?? 0, { act: 'retry' })).toMatchObject({
        ok: false,
        code: 'not-found',
      });
    } finally {
      delete process.env.FENBRIK_SMTP;
      process.env.FENBRIK_LIST_PATIENCE = '60000';
      await mail.close();
    }
  }, 60_000);

  it('that come round leave one failure at most, and none once one went well', async () => {
    await run(pool(), 'alter table seller_feed rename to seller_feed_away');
    tasks = await startTasks(shop.database.url);
    await until('a round has failed', async () =>
      (await showBackground(READER)).failed.some(({ kind }) => kind === 'ask-due-feeds'),
    );
    const { failedAt } = (await showBackground(READER)).runs.find(({ kind }) => kind === 'ask-due-feeds') ?? {};
    await addRound();
    await until('the next has failed too', async () => {
      const { runs, failed } = await showBackground(READER);
      expect(failed.length).toBeLessThan(3);
      return runs.find(({ kind }) => kind === 'ask-due-feeds')?.failedAt !== failedAt && failed.length === 1;
    });
    await run(pool(), 'alter table seller_feed_away rename to seller_feed');
    await addRound();
    await until('nothing has failed any more', async () => (await queueNumbers(pool())).failed === 0);
  }, 60_000);

  it('that failed can be discarded', async () => {
    const { ids } = await sellersWithFeeds(1, nothingNew);
    const [sellerId = 0] = ids;
    await addTask(pool(), 'ask-feed', { sellerId }, { about: sellerId });
    await run(pool(), "update graphile_worker._private_jobs set attempts = max_attempts, last_error = 'it broke'");
    const { failed } = await showBackground(READER);
    expect(failed).toMatchObject([{ kind: 'ask-feed', about: sellerId, cause: 'it broke' }]);
    must(await endFailed(await as('runa'), failed[0]?.id ?? 0, { act: 'discard' }));
    expect((await showBackground(READER)).numbers).toMatchObject({ waiting: 0, failed: 0 });
  });
});
