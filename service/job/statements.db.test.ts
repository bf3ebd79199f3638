import pg from 'pg';
import { STATIONS, type Station } from '../../core/machine/station';
import { many, pool, run } from '../../store/database';
import { READER } from '../../testing/reader';
import { must, openTestShop } from '../../testing/shop';
import { checkCaller } from '../staff/access';
import { signIn } from '../staff/sign-in';
import { jobStamp, tickStep } from './bench/fitting';
import { counterJobs } from './counter';
import { showStation } from './job-state';

openTestShop();

/** Statements of a page or a change, its session's included; begin and commit are none. */
const BOUNDS: Record<Station, number> = { intake: 14, limits: 20, options: 20, quote: 16, fitting: 12, proof: 12 };
const TICK = 10;
const REFRESH = 8;
const COUNTER = 4;

let said: string[] = [];
let token = '';

beforeAll(async () => {
  token = must(await signIn('teo', 'petrel-street')).token;
  const ask = pg.Client.prototype.query as (...of: unknown[]) => unknown;
  jest.spyOn(pg.Client.prototype, 'query').mockImplementation(function (this: pg.Client, ...of: unknown[]) {
    const [what] = of as [string | { text?: string } | undefined];
    const text = typeof what === 'string' ? what : (what?.text ?? '');
    if (!/^(begin|commit|rollback)/.test(text)) said.push(text);
    return ask.apply(this, of);
  } as never);
});
afterAll(() => jest.restoreAllMocks());

/** How many statements something asks, once the process knows the questions. */
async function counted(work: () => Promise<unknown>): Promise<number> {
  await work();
  said = [];
  await work();
  return said.length;
}

const enter = () => checkCaller(token, 'jobs.read');

/** Jobs of the demo by how far they have come: every kind of one is looked at. */
const jobs = async (): Promise<number[]> =>
  (await many<{ id: number }>(pool(), 'select id from job order by id')).map(({ id }) => id);

test.each(STATIONS)('%s asks no more than its bound, of every job', async (station) => {
  const counts: Record<number, number> = {};
  for (const id of await jobs()) {
    counts[id] = await counted(async () => {
      await enter();
      await showStation(READER, id, station);
    });
  }
  expect(Object.keys(counts).length).toBeGreaterThan(8);
  expect(Math.max(...Object.values(counts))).toBeLessThanOrEqual(BOUNDS[station]);
  // One that reads nothing is no page.
  expect(Math.min(...Object.values(counts))).toBeGreaterThan(2);
});

describe('at the bench', () => {
  const onTheBench = async () => {
    const rows = await many<{ job: number; fitting: number; step: string }>(
      pool(),
      `select job_id as job, fitting.id as fitting, steps -> 0 ->> 'key' as step from fitting order by fitting.id limit 1`,
    );
    return rows[0] ?? { job: 0, fitting: 0, step: '' };
  };

  it('a tick and what another tablet asks stay within their bounds', async () => {
    const { job, fitting, step } = await onTheBench();
    expect(job).toBeGreaterThan(0);
    const ticked = await counted(async () => {
      const entered = await checkCaller(token, 'jobs.write');
      if (!entered.ok) throw new Error(entered.sentence);
      must(await tickStep(entered.caller, job, fitting, { what: 'undo', step }));
    });
    expect(ticked).toBeLessThanOrEqual(TICK);
    expect(ticked).toBeGreaterThan(4);
    const asked = await counted(async () => {
      await checkCaller(token, 'jobs.read', true);
      must(await jobStamp(READER, job));
    });
    expect(asked).toBeLessThanOrEqual(3);
  });

  it('the page again stays within its bound', async () => {
    const { job } = await onTheBench();
    const asked = await counted(async () => {
      await enter();
      await showStation(READER, job, 'fitting');
    });
    expect(asked).toBeLessThanOrEqual(REFRESH);
  });
});

it('the counter stays within its bound at 200 jobs', async () => {
  await run(
    pool(),
    `with people as (insert into customer (name) select 'Customer ' || n from generate_series(1, 200) as n returning id)
     insert into job (customer_id, begun_at) select id, now() from people`,
  );
  const asked = await counted(async () => {
    await enter();
    await counterJobs(READER);
  });
  expect(asked).toBeLessThanOrEqual(COUNTER);
});
