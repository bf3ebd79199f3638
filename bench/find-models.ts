import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { openCluster } from '../scripts/start/cluster';
import { findModels } from '../store/library/find-models';
import { migrate } from '../store/migrate';
import { makeRandom } from '../testing/fuzz/random';
import { corrupted, makeLibrary } from './library';

/*
 * npm run find-models [-- QUERIES [SEED]]: how often the right model comes first of 20,000 random ones when it is asked
 * for with slips of the pen, words in any order and parts missing, and how long the database takes. Its rival is the
 * same library asked for with `ilike` on every word.
 */

const MODELS = 20_000;
const queries = Number(process.argv[2] ?? 1000);
const seed = Number(process.argv[3] ?? 4);

const folder = mkdtempSync(join(tmpdir(), 'fenbrik-find-'));
chmodSync(folder, 0o755);
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off']);
await migrate(cluster.url, join(process.cwd(), 'store', 'migrations'));
const db = new pg.Client(cluster.url);
await db.connect();

const library = makeLibrary(MODELS, seed);
await db.query(
  `insert into model (maker, family, name, year_from, product_strings, model_ids)
   select maker, family, name, year, array[lower(product)], array[lower(model_id)]
   from unnest($1::text[], $2::text[], $3::text[], $4::int[], $5::text[], $6::text[])
     as made (maker, family, name, year, product, model_id)`,
  [
    library.map(({ maker }) => maker),
    library.map(({ family }) => family),
    library.map(({ name }) => name),
    library.map(({ yearFrom }) => yearFrom),
    library.map(({ productString }) => productString),
    library.map(({ modelId }) => modelId),
  ],
);
await db.query('vacuum analyze');

const random = makeRandom(seed + 1);
const times: number[] = [];
const rival: number[] = [];
let first = 0;
const missed: string[] = [];
for (let query = 0; query < queries; query++) {
  const model = library[random.below(library.length)];
  if (model === undefined) continue;
  const typed = corrupted(model, random);
  const from = performance.now();
  const [best] = await findModels(db, typed, 5);
  times.push(performance.now() - from);
  if (best?.name === model.name) first++;
  else missed.push(`“${typed}” is ${model.maker} ${model.name}, first came ${best?.maker} ${best?.name}`);
  if (query % 10 === 0) {
    const since = performance.now();
    const words = typed.split(/\s+/);
    const tests = words.map((_, at) => `(maker || ' ' || name) ilike $${at + 1}`).join(' and ');
    await db.query(
      `select id from model where ${tests} limit 5`,
      words.map((word) => `%${word}%`),
    );
    rival.push(performance.now() - since);
  }
}

const percentile = (all: number[], share: number): number =>
  all.sort((a, b) => a - b)[Math.floor(all.length * share)] ?? 0;
const [p50, p95] = [percentile(times, 0.5), percentile(times, 0.95)];
process.stdout.write(`${MODELS} models, ${queries} queries, seed ${seed}\n`);
process.stdout.write(`right model first: ${first} (${((first / queries) * 100).toFixed(1)} %), aim 95 %\n`);
process.stdout.write(`median ${p50.toFixed(1)} ms, 95th percentile ${p95.toFixed(1)} ms, aim 30 ms; `);
process.stdout.write(`ilike on every word: 95th percentile ${percentile(rival, 0.95).toFixed(1)} ms\n`);
for (const line of missed.slice(0, 12)) process.stdout.write(`  missed ${line}\n`);
await db.end();
cluster.stop();
rmSync(folder, { recursive: true, force: true });
process.exitCode = first / queries >= 0.95 && p95 < 30 ? 0 : 1;
