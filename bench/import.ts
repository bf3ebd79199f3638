import { chmodSync, createReadStream, createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { createServer, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { NO_IDENTITY } from '../core/shop/identity';
import { ROOT } from '../scripts/setup.mjs';
import { openCluster } from '../scripts/start/cluster';
import { applyList, undoList } from '../service/market/apply-list';
import { lookAtWork, showList, takeList } from '../service/market/price-lists';
import { openShop } from '../service/shop/open-shop';
import { closePool, many, pool, run } from '../store/database';
import { migrate } from '../store/migrate';
import { READER } from '../testing/reader';
import { type ListSize, priceListPieces } from './price-list';

/*
 * node --import tsx bench/import.ts [rows] [rows with titles]: a price list of a million rows, from its bytes to offers on
 * the market, beside a bare COPY of the same offers into an empty table with the same columns, constraints and indexes.
 */

const ROWS = Number(process.argv[2] ?? 1_000_000);
const TITLES = Number(process.argv[3] ?? 200_000);
const LOOK_MS = 100;

const folder = mkdtempSync(join(tmpdir(), 'fenbrik-bench-'));
chmodSync(folder, 0o777);
const cluster = await openCluster(join(folder, 'cluster'), ['shared_buffers=512MB', 'max_wal_size=8GB']);
process.env.DATABASE_URL = cluster.url;

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function seconds(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return (performance.now() - from) / 1000;
}

/** Largest memory of this process, the reading thread in it, in MB; and the slowest answer to a small request, in ms. */
const worst = { memory: 0, answer: 0, answers: [] as number[] };
const server = createServer(async (_, response) => {
  response.end(String((await many(pool(), 'select count(*) from seller')).length));
});
await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
const address = server.address();
const port = typeof address === 'object' && address !== null ? address.port : 0;

function ask(): Promise<number> {
  const from = performance.now();
  return new Promise((resolve, reject) => {
    request({ port, host: '127.0.0.1' }, (response) => {
      response.resume();
      response.on('end', () => resolve(performance.now() - from));
    })
      .on('error', reject)
      .end();
  });
}

let watching = true;
const watch = async (): Promise<void> => {
  while (watching) {
    worst.memory = Math.max(worst.memory, process.memoryUsage().rss / 1e6);
    worst.answers.push(await ask());
    await wait(LOOK_MS);
  }
};

/** Writes a list to a file, as a browser or the folder has one. */
async function listFile(size: ListSize): Promise<string> {
  const file = join(folder, `${size.kind}-${size.moved ?? 0}.csv`);
  await pipeline(Readable.from(priceListPieces(size)), createWriteStream(file));
  return file;
}

async function untilDone(id: number, state: string): Promise<void> {
  for (;;) {
    const looked = await lookAtWork(READER, id);
    if (!looked.ok) throw new Error(looked.sentence);
    if (looked.value.state === state) return;
    if (looked.value.state === 'failed') throw new Error('the list could not be read');
    await wait(50);
  }
}

const OWNER = { id: 1, name: 'Bench', role: 'owner' } as never;

async function take(sellerId: number, size: ListSize): Promise<{ id: number; took: number }> {
  const file = await listFile(size);
  let id = 0;
  const took = await seconds(async () => {
    const taken = await takeList(OWNER, sellerId, { name: `${size.kind}.csv`, input: createReadStream(file) });
    if (!taken.ok) throw new Error(taken.sentence);
    id = taken.value.id;
    await untilDone(id, 'looked-at');
  });
  return { id, took };
}

async function apply(id: number): Promise<number> {
  return seconds(async () => {
    const applied = await applyList(OWNER, id, { accept: [], acceptAll: [], withdrawGone: false });
    if (!applied.ok) throw new Error(applied.sentence);
    await untilDone(id, 'applied');
  });
}

async function sellerNamed(name: string): Promise<number> {
  await run(pool(), 'insert into seller (name, lead_days) values ($1, 2)', [name]);
  return (await many<{ id: number }>(pool(), 'select id from seller where name = $1', [name]))[0]?.id ?? 0;
}

const each = (count: number, took: number): string => `${Math.round(count / took)} rows a second`;

try {
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  await openShop({
    ...NO_IDENTITY,
    language: 'en',
    paper: 'A4',
    name: 'Bench',
    town: 'Skerrow',
    currency: 'EUR',
    timeZone: 'UTC',
    taxBp: 2000,
    labourCents: 0,
    owner: { name: 'Bench', signIn: 'bench', password: 'bench-bench' },
  });
  const watched = watch();
  const readTitles = async (name: string, market: string): Promise<number> => {
    const titles = await take(await sellerNamed(name), { rows: TITLES, kind: 'titles' });
    const held = TITLES / titles.took >= 15_000 ? 'held' : 'MISSED';
    console.log(
      `${TITLES} rows of free text read, ${market}: ${titles.took.toFixed(1)} s, ${each(TITLES, titles.took)} (at least 15000: ${held})`,
    );
    return titles.id;
  };
  const titles = await readTitles('Title Trade', 'before anything else');
  const seller = await sellerNamed('Quay Trade');
  const structured = await take(seller, { rows: ROWS, kind: 'structured' });
  console.log(`read, compared and kept: ${structured.took.toFixed(1)} s, ${each(ROWS, structured.took)}`);
  const looked = await seconds(() => showList(READER, structured.id));
  console.log(`looked at: ${(looked * 1000).toFixed(0)} ms`);
  const applied = await apply(structured.id);
  console.log(`applied: ${applied.toFixed(1)} s, ${each(ROWS, applied)}`);
  const [{ count } = { count: 0 }] = await many<{ count: number }>(pool(), 'select count(*) as count from offer');
  console.log(`offers on the market: ${count}`);

  const columns = await many<{ name: string }>(
    pool(),
    "select attname as name from pg_attribute where attrelid = 'offer'::regclass and attnum > 0 and attgenerated = '' and not attisdropped",
  );
  const names = columns.map(({ name }) => name).join(', ');
  const file = join(folder, 'offers.copy');
  await run(pool(), `copy (select ${names} from offer order by id) to '${file}'`);
  const keys = await many<{ definition: string }>(
    pool(),
    `select pg_get_constraintdef(oid) as definition from pg_constraint where conrelid = 'offer'::regclass and contype = 'f'`,
  );
  const copied = async (foreignKeys: readonly { definition: string }[]): Promise<number> => {
    await run(pool(), 'create table bare (like offer including all)');
    for (const { definition } of foreignKeys) await run(pool(), `alter table bare add ${definition}`);
    await run(pool(), 'checkpoint');
    const took = await seconds(() => run(pool(), `copy bare (${names}) from '${file}'`));
    await run(pool(), 'drop table bare');
    return took;
  };
  const loose = await copied([]);
  const bare = await copied(keys);
  const whole = structured.took + applied;
  const against = (took: number) => (took / whole).toFixed(3);
  console.log(`bare COPY of the same offers into an identical table: ${bare.toFixed(1)} s, ${each(ROWS, bare)}`);
  console.log(
    `import as a whole: ${whole.toFixed(1)} s, ${against(bare)} of the speed of COPY (at least 0.333: ${bare / whole >= 1 / 3 ? 'held' : 'MISSED'})`,
  );
  console.log(
    `without its ${keys.length} foreign keys COPY takes ${loose.toFixed(1)} s: ${against(loose)} of the speed of that`,
  );

  const second = await take(seller, { rows: ROWS, kind: 'structured', moved: 10 });
  const again = await apply(second.id);
  console.log(
    `the same list with a tenth of its prices moved: read in ${second.took.toFixed(1)} s, applied in ${again.toFixed(1)} s`,
  );
  const undone = await seconds(async () => {
    const result = await undoList(OWNER, second.id);
    if (!result.ok) throw new Error(result.sentence);
    await untilDone(second.id, 'undone');
  });
  console.log(`and undone: ${undone.toFixed(1)} s`);

  console.log(`the free text applied: ${each(TITLES, await apply(titles))}`);
  await readTitles('Second Title Trade', 'while the database cleans up after the million');
  watching = false;
  await watched;
  const sorted = worst.answers.sort((a, b) => a - b);
  const at = (share: number) => (sorted[Math.floor((sorted.length - 1) * share)] ?? 0).toFixed(1);
  console.log(
    `memory of the process at most: ${worst.memory.toFixed(0)} MB (under 500: ${worst.memory < 500 ? 'held' : 'MISSED'})`,
  );
  console.log(`a small request meanwhile: median ${at(0.5)} ms, 99th percentile ${at(0.99)} ms, at most ${at(1)} ms`);
} finally {
  watching = false;
  server.close();
  await closePool();
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
