import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { customerView } from '../core/quoting/customer-view';
import { quotePdf } from '../outward/papers/quote-pdf';
import { loadDemoAt } from '../scripts/load-demo';
import { ROOT } from '../scripts/setup.mjs';
import { needBuild } from '../scripts/start/build';
import { openCluster } from '../scripts/start/cluster';
import { showJob } from '../service/job/job-state';
import { contentCode } from '../service/job/quote/quote-content';
import { closePool } from '../store/database';
import { migrate } from '../store/migrate';
import { App } from '../testing/browser/app';
import { makeDemoTemplate, makeTemplate } from '../testing/database';
import { jobLink } from '../testing/job-link';
import { READER } from '../testing/reader';
import { askOften } from './ask-often';

/*
 * npm run bench-quotes: the PDF of a three-option quote, in milliseconds and bytes; and customers' pages a second, made again
 * for each request, by 20 connections of a load generator that is kept on one of the cores, beside an empty route.
 */

const ROUNDS = 60;
const CONNECTIONS = 20;
const SECONDS = 12;

const held = (is: boolean): string => (is ? 'held' : 'MISSED');
const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

const load = (url: string, seconds: number) => askOften(url, { connections: CONNECTIONS, seconds });

const folder = mkdtempSync(join(tmpdir(), 'fenbrik-bench-'));
chmodSync(folder, 0o755);
process.env.FENBRIK_KEY = randomBytes(32).toString('hex');
const cluster = await openCluster(join(folder, 'cluster'), ['max_connections=60']);
process.env.FENBRIK_TEST_URL = cluster.url;
try {
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  await makeTemplate(cluster.url);
  await needBuild();
  await makeDemoTemplate(cluster.url, loadDemoAt);
  const app = await App.open();
  process.env.DATABASE_URL = app.databaseUrl;
  // The quote of the demo shop with three options.
  const JOB = 7;
  const state = await showJob(READER, JOB);
  const [sent] = state?.sent ?? [];
  if (sent === undefined || sent.snapshot.options.length !== 3) throw new Error('the demo has no such quote');
  const quote = customerView(sent.snapshot);
  const path = `/q/${await jobLink(JOB)}`;
  await closePool();

  const times: number[] = [];
  let bytes = 0;
  for (let round = 0; round < ROUNDS + 20; round++) {
    const from = performance.now();
    bytes = (await quotePdf(quote, contentCode(quote), { paper: 'A4', logo: null })).length;
    if (round >= 20) times.push(performance.now() - from);
    else if (round === 0) console.log(`the first PDF of a process: ${(performance.now() - from).toFixed(0)} ms`);
  }
  times.sort((a, b) => a - b);
  const [median, late] = [at(times, 0.5), at(times, 0.95)];
  console.log(
    `PDF of three options: median ${median.toFixed(1)} ms, 95th percentile ${late.toFixed(1)} ms (under 80: ${held(median < 80)}); ` +
      `${bytes} bytes (under 150,000: ${held(bytes < 150_000)})`,
  );
  await load(`${app.base}${path}`, 6);
  const page = await load(`${app.base}${path}`, SECONDS);
  const empty = await load(`${app.base}/api/health`, SECONDS);
  console.log(
    `customers’ pages: ${page.perSecond.toFixed(0)} a second (at least 200: ${held(page.perSecond >= 200)}), median ${page.p50} ms, ` +
      `99th percentile ${page.p99} ms (under 150: ${held(page.p99 < 150)}), ${page.faults} faults`,
  );
  console.log(
    `an empty route beside: ${empty.perSecond.toFixed(0)} a second, median ${empty.p50} ms, 99th percentile ${empty.p99} ms; ` +
      `a page takes ${(empty.perSecond / page.perSecond).toFixed(1)} times as long`,
  );
  await app.close();
} finally {
  await closePool();
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
