import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrate } from '../store/migrate';
import { needBuild } from './build';
import { type Cluster, openCluster } from './cluster';
import { loadDemoAt } from './load-demo';
import { ROOT, say } from './setup.mjs';
import { makeDemoTemplate, makeTemplate } from './test-database';

interface Count {
  passed: number;
  failed: number;
}

interface Suite {
  name: string;
  run: (cluster: Cluster) => Count | Promise<Count>;
}

// One key for the run: the demo's links are made here and shown by the application.
process.env.FENBRIK_KEY = randomBytes(32).toString('hex');

const BIN = join(ROOT, 'node_modules', '.bin');

/** A check that passes or fails as one. */
function check(name: string, program: string, args: string[]): Suite {
  return {
    name,
    run: () => {
      const done = spawnSync(join(BIN, program), args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] });
      return done.status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
    },
  };
}

/** Counts what Jest says in its own result file; a run that leaves none has failed. */
function jestCount(file: string, status: number | null): Count {
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites, numTotalTests } = JSON.parse(
      readFileSync(file, 'utf8'),
    );
    const broken = numFailedTests === 0 ? numFailedTestSuites : 0;
    const failed = numFailedTests + broken;
    return { passed: numPassedTests, failed: failed > 0 || (status === 0 && numTotalTests > 0) ? failed : 1 };
  } catch {
    return { passed: 0, failed: 1 };
  }
}

function jest(name: string, pattern: string, more: string[] = []): Suite {
  return {
    name,
    run: (cluster) => {
      const file = join(mkdtempSync(join(tmpdir(), 'fenbrik-jest-')), 'result.json');
      // FENBRIK_ONLY: a part of the names of the files that are wanted, while one works on them.
      const only = process.env.FENBRIK_ONLY ? [process.env.FENBRIK_ONLY] : [];
      const args = ['--testRegex', pattern, '--json', '--outputFile', file, '--silent=false', ...more, ...only];
      const done = spawnSync(join(BIN, 'jest'), args, {
        cwd: ROOT,
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, FENBRIK_TEST_URL: cluster.url, NODE_ENV: 'test' },
      });
      const count = jestCount(file, done.status);
      rmSync(file, { force: true });
      return count;
    },
  };
}

let demo: Promise<void> | null = null;

/** The demo shop is loaded once for the run; each file has a copy of it. */
function needDemo({ url }: Cluster): Promise<void> {
  demo ??= makeDemoTemplate(url, loadDemoAt);
  return demo;
}

/** Use cases and queries on real databases. */
const database: Suite = {
  name: 'database',
  run: async (cluster) => {
    try {
      await needDemo(cluster);
    } catch (cause) {
      console.error(cause);
      return { passed: 0, failed: 1 };
    }
    return jest('database', '\\.db\\.test\\.ts$', ['--maxWorkers', '2']).run(cluster);
  },
};

/** The built application, driven by a real browser; a build that fails is a failure like any other. */
const browser: Suite = {
  name: 'browser',
  run: async (cluster) => {
    try {
      needBuild();
      await needDemo(cluster);
    } catch (cause) {
      console.error(cause instanceof Error ? cause.message : cause);
      return { passed: 0, failed: 1 };
    }
    return jest('browser', 'e2e/.*\\.spec\\.ts$', ['--maxWorkers', '2', '--testTimeout', '600000']).run(cluster);
  },
};

const SUITES: readonly Suite[] = [
  check('format', 'biome', ['format', '.']),
  check('lint', 'biome', ['lint', '--error-on-warnings', '.']),
  check('types', 'tsc', ['--noEmit']),
  jest('unit', '(?<!\\.db)\\.test\\.tsx?$', ['--maxWorkers', '2']),
  database,
  browser,
];

/** A cluster for this run alone: gone afterwards, and quick since nothing of it has to outlive a power cut. */
async function testCluster(): Promise<{ cluster: Cluster; remove: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'fenbrik-test-'));
  chmodSync(folder, 0o755);
  const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off', 'max_connections=60']);
  const remove = () => {
    cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  };
  return { cluster, remove };
}

/** Runs all suites, or those named; the last line counts what passed and failed over all of them. */
export async function test(names: readonly string[]): Promise<void> {
  const { cluster, remove } = await testCluster();
  const total: Count = { passed: 0, failed: 0 };
  process.once('SIGINT', () => {
    remove();
    process.exit(130);
  });
  try {
    await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
    await makeTemplate(cluster.url);
    for (const { name, run } of SUITES.filter((suite) => names.length === 0 || names.includes(suite.name))) {
      const from = Date.now();
      const count = await run(cluster);
      total.passed += count.passed;
      total.failed += count.failed;
      say(`${name}: ${count.passed} passed, ${count.failed} failed (${((Date.now() - from) / 1000).toFixed(1)} s)`);
    }
  } finally {
    remove();
  }
  console.log(`${total.passed} passed, ${total.failed} failed`);
  process.exit(total.failed === 0 ? 0 : 1);
}
