#!/usr/bin/env node
// npm run db [-- ARGUMENTS OF psql]: opens the shop's database, as its owner.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { giveUp, need, postgresFolder } from './setup.mjs';

await need({ packages: ['postgresql'] });
const { register } = await import('tsx/esm/api');
register();
const { clusterFolder, openCluster } = await import('./start/cluster.ts');
const { chosenDatabase } = await import('./start/which-shop.ts');

try {
  const set = process.env.FENBRIK_OWNER_URL || process.env.DATABASE_URL;
  const cluster = set ? null : await chosenDatabase(await openCluster(clusterFolder()), process.env.FENBRIK_DEMO);
  const psql = join(postgresFolder() ?? '', 'psql');
  const { status } = spawnSync(psql, [set ?? cluster?.url ?? '', ...process.argv.slice(2)], { stdio: 'inherit' });
  if (cluster?.started) cluster.stop();
  process.exitCode = status ?? 1;
} catch (error) {
  giveUp(error instanceof Error ? error.message : String(error));
}
