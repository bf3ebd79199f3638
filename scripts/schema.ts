import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closePool, pool } from '../store/database';
import { migrate } from '../store/migrate';
import { drawSchema } from './draw-schema';
import { openCluster } from './start/cluster';

/* npm run schema: draws docs/schema.md from a database that is migrated for it. */

const ROOT = join(import.meta.dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-schema-'));
chmodSync(folder, 0o755);
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off']);
try {
  process.env.DATABASE_URL = cluster.url;
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  writeFileSync(join(ROOT, 'docs', 'schema.md'), await drawSchema(pool()));
} finally {
  await closePool();
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
