import { join } from 'node:path';
import { migrate } from '../../store/migrate';
import { grantToApp } from '../../store/roles';
import { ROOT, say } from '../setup.mjs';
import { type Cluster, clusterFolder, rolesOf } from './cluster';

/** From here on the owner's role migrates, and everything else is done as the application's. */
export async function actAsRoles(cluster: Cluster): Promise<void> {
  const { owner, app } = await rolesOf(cluster, clusterFolder());
  process.env.FENBRIK_OWNER_URL = owner;
  process.env.DATABASE_URL = app;
}

/** Brings the database up to date as its owner, and gives the application's role its rights. */
export async function migrated(): Promise<string[]> {
  const app = process.env.DATABASE_URL ?? '';
  const owner = process.env.FENBRIK_OWNER_URL || app;
  const ran = await migrate(owner, join(ROOT, 'store', 'migrations'));
  const [ownerRole, appRole] = [owner, app].map((url) => decodeURIComponent(new URL(url).username));
  if (ownerRole === appRole || appRole === undefined)
    say(
      'the application owns its tables: set FENBRIK_OWNER_URL to another role, and it gets rights on their rows only',
    );
  else await grantToApp(owner, appRole);
  delete process.env.FENBRIK_OWNER_URL;
  return ran;
}
