import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrate } from '../store/migrate';
import { needBuild } from './build';
import { openCluster } from './cluster';
import { loadDemoAt } from './load-demo';
import { ROOT } from './setup.mjs';
import { makeDemoTemplate, makeTemplate } from './test-database';
const [pattern, ...more] = process.argv.slice(2);
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-one-'));
chmodSync(folder, 0o755);
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off', 'max_connections=60']);
try {
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  await makeTemplate(cluster.url);
  if (/spec/.test(pattern)) { needBuild(); await makeDemoTemplate(cluster.url, loadDemoAt); }
  const done = spawnSync('npx', ['jest', '--testRegex', pattern, '--testTimeout', '600000', ...more], { cwd: ROOT, stdio: 'inherit', env: { ...process.env, FENBRIK_TEST_URL: cluster.url, NODE_ENV: 'test' } });
  process.exitCode = done.status ?? 1;
} finally { cluster.stop(); rmSync(folder, { recursive: true, force: true }); }
