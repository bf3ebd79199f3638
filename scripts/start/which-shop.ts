import pg from 'pg';
import { type Cluster, databaseNamed } from './cluster';

/** Beside the demo shop, which stays as it is, a shop of one's own has a database of its own. */
const OWN = 'fenbrik_own';

type Held = 'nothing' | 'demo' | 'own';

/** What a database holds; `nothing` also where it was never migrated. */
async function heldBy(url: string): Promise<Held> {
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
    const { rows } = await client.query<{ demo: boolean }>('select demo from shop');
    return rows[0] === undefined ? 'nothing' : rows[0].demo ? 'demo' : 'own';
  } catch {
    return 'nothing';
  } finally {
    await client.end().catch(() => {});
  }
}

const named = (cluster: Cluster, database: string): Cluster => {
  const url = new URL(cluster.url);
  url.pathname = `/${database}`;
  return { ...cluster, url: url.href };
};

/**
 * The database of a private cluster that a start serves: `off` asks for a shop of one's own, `on` for the demo shop; whoever says
 * neither gets their own shop once it is open, and the demo shop before.
 *
 * @param demo as `FENBRIK_DEMO` says
 */
export async function chosenDatabase(cluster: Cluster, demo: string | undefined): Promise<Cluster> {
  if (demo === 'on') return cluster;
  const first = await heldBy(cluster.url);
  if (first === 'own' || (first === 'nothing' && demo === 'off')) return cluster;
  const own = named(cluster, OWN);
  if (demo !== 'off' && (await heldBy(own.url)) !== 'own') return cluster;
  databaseNamed(cluster, OWN);
  return own;
}
