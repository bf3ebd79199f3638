import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadDemoAt } from '../scripts/load-demo';
import { ROOT } from '../scripts/setup.mjs';
import { needBuild } from '../scripts/start/build';
import { openCluster } from '../scripts/start/cluster';
import { closePool } from '../store/database';
import { migrate } from '../store/migrate';
import { makeDemoTemplate, makeTemplate } from './database';
import { treatRoughly } from './rough/rough';

/*
 * npm run rough: a shop of its own is treated as roughly as it has to stand; each piece is printed as held or fallen, with its
 * figure. `docs/security.md` says what is promised.
 */

process.env.FENBRIK_KEY = randomBytes(32).toString('hex');
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-rough-'));
chmodSync(folder, 0o755);
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off', 'max_connections=60']);
process.env.FENBRIK_TEST_URL = cluster.url;
let [held, fallen] = [0, 0];
try {
  await needBuild();
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  await makeTemplate(cluster.url);
  await makeDemoTemplate(cluster.url, loadDemoAt);
  await treatRoughly(true, (told) => {
    if (told.held) held++;
    else fallen++;
    console.log(`${told.held ? 'held  ' : 'FALLEN'} ${String(told.point).padStart(2)}  ${told.what}: ${told.figure}`);
  });
} finally {
  await closePool();
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
console.log(`${held} held, ${fallen} fallen`);
process.exit(fallen === 0 ? 0 : 1);
