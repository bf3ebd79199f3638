import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadDemo } from '../../scripts/load-demo';
import { type Cluster, openCluster } from '../../scripts/start/cluster';
import { closePool, many, one, pool, run } from '../../store/database';
import { migrate } from '../../store/migrate';
import { addTask } from '../../store/queue/queue';
import { startTasks } from '../../tasks/run-tasks';
import { as, must, seen } from '../../testing/shop';
import { saveIntake } from './intake/intake';
import { openQuote, sendQuote } from './quote/quote';
import { answerQuote } from './quote/quote-answers';
import { renewQuote } from './quote/renew-quote';

/** The choir's job of the demo shop: three options on the slip. */
const CHOIR = 2;

let folder: string;
let cluster: Cluster;

// A cluster of its own with the settings of a real shop: what is acknowledged is on disk.
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fenbrik-crash-'));
  chmodSync(folder, 0o755);
  cluster = await openCluster(join(folder, 'cluster'));
  process.env.DATABASE_URL = cluster.url;
  await migrate(cluster.url, join(__dirname, '..', '..', 'store', 'migrations'));
  await loadDemo();
}, 60_000);

afterAll(async () => {
  await closePool();
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** Ends the database server and all its processes at once, as a crash does, and brings it up again on its port after a while. */
async function crash(awayMs = 300): Promise<void> {
  const postmaster = Number(readFileSync(join(folder, 'cluster', 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
  const backends = await many<{ pid: number }>(pool(), 'select pid from pg_stat_activity');
  for (const pid of [postmaster, ...backends.map((row) => row.pid)]) {
    try {
      process.kill(pid, 'SIGKILL');
    } catch {
      // It went with the others.
    }
  }
  await new Promise((resolve) => setTimeout(resolve, awayMs));
  cluster = await openCluster(join(folder, 'cluster'));
}

/** Tries as a person does who is told to try again: the pool's connections went with the server. */
async function again<T>(work: () => Promise<T>): Promise<T> {
  for (let tries = 0; tries < 30; tries++) {
    try {
      return await work();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
  return work();
}

test('a quote acknowledged as sent is whole after the database crashed, and the same process goes on', async () => {
  const teo = await as('teo');
  const totals = await seen(CHOIR);
  const sent = must(await sendQuote(teo, CHOIR, { seen: totals }));
  const before = await openQuote(sent.token);
  await crash();
  expect(process.env.DATABASE_URL).toBe(cluster.url);
  const after = await again(() => openQuote(sent.token));
  expect(after).toEqual(before);
  expect(after?.quote.options.map((option) => option.totalCents)).toEqual(totals.map((one) => one.totalCents));
  const events = await many<{ kind: string }>(pool(), 'select kind from event where job_id = $1', [CHOIR]);
  expect(events.map((event) => event.kind)).toContain('quote-sent');
}, 60_000);

test('every change that was acknowledged before a crash in the middle of many is there after it', async () => {
  const teo = await as('teo');
  const acknowledged: number[] = [];
  const changes = (async () => {
    for (let count = 1; count <= 400; count++) {
      const saved = await saveIntake(teo, CHOIR, { phone: `0555 ${count}` }).catch(() => null);
      if (saved?.ok !== true) return;
      acknowledged.push(count);
    }
  })();
  while (acknowledged.length < 40) await new Promise((resolve) => setTimeout(resolve, 5));
  await crash();
  await changes;
  const phone = 'select phone from job join customer on customer.id = customer_id where job.id = $1';
  const row = await again(() => one<{ phone: string }>(pool(), phone, [CHOIR]));
  const kept = Number(row.phone.replace('0555 ', ''));
  const last = acknowledged.at(-1) ?? 0;
  // What was under way when it crashed may have been kept too; nothing that was acknowledged is lost.
  expect(kept).toBeGreaterThanOrEqual(last);
  expect(kept).toBeLessThanOrEqual(last + 1);
}, 60_000);

test('a yes outlives a crash at any moment: said again it is the same yes, noted once', async () => {
  const teo = await as('teo');
  for (const delay of [0, 3, 6, 10, 20]) {
    must(await again(() => renewQuote(teo, CHOIR)));
    // What was accepted in the round before is changed by an order of its own.
    const changeOrder = delay > 0;
    const { token, number } = must(await sendQuote(teo, CHOIR, { seen: await seen(CHOIR), changeOrder }));
    const [option] = (await openQuote(token))?.quote.options ?? [];
    const yes = {
      kind: 'accept' as const,
      place: option?.place ?? 0,
      signed: 'Iver Stroud',
      ticked: [...(option?.statements ?? [])],
    };
    const first = answerQuote(token, yes).catch(() => null);
    await new Promise((resolve) => setTimeout(resolve, delay));
    await crash();
    const acknowledged = (await first)?.ok === true;
    const before = await again(() => openQuote(token));
    // What was acknowledged is there; what was not may be, whole, or not at all.
    if (acknowledged) expect(before?.standing).toBe('accepted');
    must(await again(() => answerQuote(token, yes)));
    const kept = await many(
      pool(),
      `select signed from quote_answer join quote on quote.id = quote_id where number = $1 and kind = 'accepted'`,
      [number],
    );
    expect(kept).toEqual([{ signed: 'Iver Stroud' }]);
    const noted = await one<{ count: number }>(
      pool(),
      `select count(*)::integer as count from event where job_id = $1 and kind = 'quote-accepted'
         and detail ->> 'number' = $2`,
      [CHOIR, number],
    );
    expect(noted.count).toBe(1);
  }
}, 120_000);

test('work beside requests continues on its own once the database is back, and the log tells what happened', async () => {
  // A minute in the long run: long enough for the queue's own patience to end.
  const awayMs = process.env.FENBRIK_LONG === '1' ? 60_000 : 3_000;
  const lines: { level: number; msg: string; err?: { message: string } }[] = [];
  const write = jest.spyOn(process.stdout, 'write').mockImplementation((line) => {
    if (String(line).startsWith('{')) lines.push(JSON.parse(String(line)));
    return true;
  });
  const tasks = await startTasks(cluster.url);
  try {
    await crash(awayMs);
    await again(() => run(pool(), 'delete from task_run'));
    await again(() => addTask(pool(), 'count-for-today', {}, { about: null }));
    let done: unknown[] = [];
    for (let tries = 0; done.length === 0 && tries < 600; tries++) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      done = await many(
        pool(),
        "select kind from task_run where kind = 'count-for-today' and succeeded_at is not null",
      );
    }
    expect(done).toHaveLength(1);
  } finally {
    await tasks.stop();
    write.mockRestore();
  }
  const told = lines.filter(({ level }) => level >= 40);
  expect(told.map(({ msg }) => msg)).toContain('doing tasks from the queue failed');
  expect(told.some(({ err, msg }) => /ECONNREFUSED|terminat|ECONNRESET/.test(`${err?.message} ${msg}`))).toBe(true);
}, 180_000);
