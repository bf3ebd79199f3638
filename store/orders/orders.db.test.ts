import { MODULE_OF_8_GB } from '../../core/memory/samples';
import { type TestDatabase, testDatabase } from '../../testing/database';
import { closePool, many, pool, run } from '../database';
import { insertOffer, insertSeller } from '../market/offers';
import { listWanted, WANTED } from './orders';

let database: TestDatabase;
/** jobs whose customers said yes, nearly all of them long done */
const JOBS = 4000;

beforeAll(async () => {
  database = await testDatabase();
  process.env.DATABASE_URL = database.url;
  const seller = await insertSeller(pool(), { name: 'Aldgate Parts', leadDays: 2 });
  const offer = await insertOffer(pool(), {
    sellerId: seller,
    sellerPart: 'AP-8',
    title: 'Kelda 8 GB',
    origin: 'third-party',
    modules: 1,
    stock: null,
    note: '',
    modelIds: [],
    module: MODULE_OF_8_GB,
  });
  await run(pool(), `insert into customer (name) select 'Customer ' || at from generate_series(1, ${JOBS}) as at`);
  await run(
    pool(),
    `insert into job (customer_id, closed_at) select id, case when id > ${JOBS - 20} then null else now() end from customer`,
  );
  await run(
    pool(),
    `insert into quote (job_id, version, state, number, snapshot, sent_at, valid_until)
     select id, 1, 'sent', 'Q-' || id, jsonb_build_object('options', jsonb_build_array(jsonb_build_object('place', 1, 'shop',
       jsonb_build_object('bought', jsonb_build_array(jsonb_build_object(
         'offer', 'offer-' || $1::integer, 'count', 2, 'costCents', 2100, 'seller', 'Aldgate Parts')))))), now(), current_date
     from job`,
    [offer],
  );
  await run(
    pool(),
    "insert into quote_answer (quote_id, kind, place, signed) select id, 'accepted', 1, 'A Customer' from quote",
  );
  await run(
    pool(),
    `insert into part_order (seller_id, number) select $1, 'O-' || at from generate_series(1, ${JOBS - 20}) as at`,
    [seller],
  );
  await run(
    pool(),
    `insert into part_order_line (order_id, job_id, offer_id, title, quantity, each_cents, modules)
     select part_order.id, job.id, $1, 'Kelda 8 GB', 2, 2100, 1
     from part_order join job on 'O-' || job.id = part_order.number`,
    [offer],
  );
  await pool().query('vacuum analyze');
}, 120_000);

afterAll(async () => {
  await closePool();
  await database.drop();
});

async function planFor(jobId: number): Promise<string> {
  const rows = await many<{ 'QUERY PLAN': string }>(pool(), `explain ${WANTED.replaceAll('$1', String(jobId))}`);
  return rows.map((row) => row['QUERY PLAN']).join('\n');
}

it('what one job wants is found by indexes, whatever was ordered for others', async () => {
  const plan = await planFor(7);
  expect(plan).toContain('part_order_line_of_job');
  expect(plan).not.toMatch(/Seq Scan on (quote|quote_answer|job|part_order_line|part_order)\b/);
});

it('jobs that are closed want nothing, however many there are', async () => {
  const wanted = await listWanted(pool(), null);
  expect(wanted).toHaveLength(20);
  expect(wanted.every(({ quantity, quotedCents }) => quantity === 2 && quotedCents === 2100)).toBe(true);
  expect(await listWanted(pool(), wanted[0]?.jobId ?? 0)).toEqual(wanted.slice(0, 1));
  expect(await listWanted(pool(), 7)).toEqual([]);
});
