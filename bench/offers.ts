import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { OFFER_SORTS } from '../core/market/offer-sort';
import type { OfferWish } from '../core/market/offer-wish';
import { ROOT } from '../scripts/setup.mjs';
import { openCluster } from '../scripts/start/cluster';
import { closePool, pool, transaction } from '../store/database';
import { findOffers, specsFor } from '../store/market/find-offers';
import { listOffersFor } from '../store/market/offers-for-planning';
import { migrate } from '../store/migrate';
import type { Named, Queryable } from '../store/queryable';
import { makeMarket } from './market';

/*
 * node --import tsx bench/offers.ts [offers]: a million offers with ten prices each. Queries that a job asks, with their
 * 95th percentile in the database and as a whole, beside the plain way to ask the same.
 */

const OFFERS = Number(process.argv[2] ?? 1_000_000);
const ROUNDS = 60;

const folder = mkdtempSync(join(tmpdir(), 'fenbrik-bench-'));
chmodSync(folder, 0o755);
const cluster = await openCluster(join(folder, 'cluster'), ['shared_buffers=512MB', 'max_wal_size=8GB']);
process.env.DATABASE_URL = cluster.url;

/** Milliseconds at the 95th percentile, and in the middle. */
function told(times: number[]): string {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  return `95th percentile ${at(0.95).toFixed(1)} ms, median ${at(0.5).toFixed(1)} ms`;
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

async function times(work: (round: number) => Promise<unknown>): Promise<number[]> {
  for (let round = 0; round < 5; round++) await work(round);
  const all: number[] = [];
  for (let round = 0; round < ROUNDS; round++) all.push(await timed(() => work(round)));
  return all;
}

/** A value as it is written into a statement. */
const literal = (value: unknown): string =>
  value === null
    ? 'null'
    : typeof value === 'number'
      ? String(value)
      : pg.escapeLiteral(
          Array.isArray(value)
            ? `{${value.map((one) => (typeof one === 'number' ? one : JSON.stringify(one)))}}`
            : String(value),
        );

/**
 * Runs statements as they are, on one connection as a pool's are, and sums up what the database itself took to plan and run
 * each of them; a named one is planned when it is new, as on any connection.
 */
class Clocked implements Queryable {
  ms = 0;
  readonly #named = new Set<string>();
  constructor(readonly client: pg.PoolClient) {}
  async query<Row extends pg.QueryResultRow>(what: string | Named, values: readonly unknown[] = []) {
    const explain = 'explain (analyze, timing off, format json)';
    type Told = { 'QUERY PLAN': [{ 'Planning Time': number; 'Execution Time': number }] };
    const result = await this.client.query<Row>(what as string, [...values]);
    const named = typeof what === 'string' ? null : pg.escapeIdentifier(`clocked ${what.name}`);
    if (named !== null && typeof what !== 'string' && !this.#named.has(named)) {
      this.#named.add(named);
      await this.client.query(`prepare ${named} as ${what.text}`);
    }
    const { rows } =
      named === null
        ? await this.client.query<Told>(`${explain} ${what}`, [...values])
        : await this.client.query<Told>(`${explain} execute ${named}(${values.map(literal).join(', ')})`);
    const [plan] = rows[0]?.['QUERY PLAN'] ?? [];
    this.ms += (plan?.['Planning Time'] ?? 0) + (plan?.['Execution Time'] ?? 0);
    return result;
  }
}

/** Prints what a way of asking takes in the database, and as a whole with the way there and back. */
async function measure(what: string, ask: (db: Queryable, round: number) => Promise<unknown>): Promise<void> {
  const inside: number[] = [];
  const client = await pool().connect();
  const clock = new Clocked(client);
  await times(async (round) => {
    clock.ms = 0;
    await ask(clock, round);
    inside.push(clock.ms);
  });
  client.release(true);
  const whole = await times((round) => ask(pool(), round));
  console.log(`${what}: in the database ${told(inside.slice(-ROUNDS))}; as a whole ${told(whole)}`);
}

const MACHINES: readonly Required<Pick<OfferWish, 'generations' | 'form' | 'kinds' | 'mostMiB'>>[] = [
  { generations: ['DDR4'], form: 'SO-DIMM', kinds: [{ buffering: 'unbuffered', ecc: false }], mostMiB: 16_384 },
  { generations: ['DDR4'], form: 'DIMM', kinds: [{ buffering: 'unbuffered', ecc: false }], mostMiB: 32_768 },
  { generations: ['DDR3'], form: 'SO-DIMM', kinds: [{ buffering: 'unbuffered', ecc: false }], mostMiB: 8192 },
  { generations: ['DDR5'], form: 'SO-DIMM', kinds: [{ buffering: 'unbuffered', ecc: false }], mostMiB: 49_152 },
  {
    generations: ['DDR4'],
    form: 'DIMM',
    kinds: [
      { buffering: 'registered', ecc: true },
      { buffering: 'load-reduced', ecc: true },
    ],
    mostMiB: 131_072,
  },
  { generations: ['DDR3'], form: 'DIMM', kinds: [{ buffering: 'unbuffered', ecc: true }], mostMiB: 4096 },
];

try {
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  const made = await timed(() =>
    transaction((db) => makeMarket(db, { offers: OFFERS, prices: 10, sellers: 60, seed: 5 })),
  );
  console.log(`${OFFERS} offers with ten prices each made in ${(made / 1000).toFixed(0)} s`);
  await pool().query('vacuum analyze');
  const machine = (round: number) => MACHINES[round % MACHINES.length] ?? MACHINES[0];
  const wish = (round: number, sockets: number) => ({
    ...(machine(round) as (typeof MACHINES)[number]),
    modelId: null,
    jobId: null,
    sockets,
  });
  const counts = await Promise.all(MACHINES.map((_, at) => listOffersFor(pool(), wish(at, 4))));
  console.log(`undominated offers for planning: ${counts.map(({ length }) => length).join(', ')}`);
  for (const sockets of [4, 32]) {
    await measure(`for planning, ${sockets} sockets`, (db, round) => listOffersFor(db, wish(round, sockets)));
  }
  for (const sort of OFFER_SORTS) {
    await measure(`the first 200 that fit, by ${sort}`, async (db, round) => {
      const fits = machine(round) ?? {};
      return findOffers(db, await specsFor(db, fits), fits, sort, { from: 0, count: 200 });
    });
  }
  // The rival: what a page that lists and sorts offers asks of plain tables.
  const plain = `select offer.*, module, (select cost_cents from offer_price where offer_id = offer.id order by at desc, id desc limit 1) as now
    from offer join module_spec on module_spec.id = spec_id join module_family on module_family.id = offer.family_id
    where generation = any($1) and form = $2 and capacity_mib <= $3 and withdrawn_at is null order by now limit 200`;
  const rival: number[] = [];
  for (const one of MACHINES) {
    rival.push(await timed(() => pool().query(plain, [one.generations, one.form, one.mostMiB])));
  }
  console.log(`rival, plain tables sorted by the latest price: as a whole ${told(rival)}`);
} finally {
  await closePool();
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
