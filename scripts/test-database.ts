import { randomBytes } from 'node:crypto';
import pg from 'pg';

const TEMPLATE = 'fenbrik_template';
const DEMO = 'fenbrik_demo';

const withName = (url: string, name: string): string => url.replace(/\/[^/]*$/, `/${name}`);

async function asAdmin(url: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: withName(url, 'postgres') });
  await client.connect();
  await client.query(statement).finally(() => client.end());
}

/** Makes the migrated database a template, which new databases copy within milliseconds. */
export async function makeTemplate(url: string): Promise<void> {
  await asAdmin(url, `create database ${TEMPLATE} template fenbrik`);
}

export interface TestDatabase {
  url: string;
  drop: () => Promise<void>;
}

/** Makes the template that `demoDatabase` copies: `load` fills it, as a shop that starts. */
export async function makeDemoTemplate(url: string, load: (url: string) => Promise<void>): Promise<void> {
  await asAdmin(url, `create database ${DEMO} template ${TEMPLATE}`);
  await load(withName(url, DEMO));
  // Whoever is still connected would keep it from being copied.
  await asAdmin(url, `alter database ${DEMO} with allow_connections false`);
  await asAdmin(url, `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${DEMO}'`);
}

/** The demo shop in a database of one's own, copied within milliseconds from the run's. */
export const demoDatabase = (): Promise<TestDatabase> => testDatabase(DEMO);

/** A migrated, empty database of one's own on the run's real PostgreSQL. */
export async function testDatabase(template = TEMPLATE): Promise<TestDatabase> {
  const server = process.env.FENBRIK_TEST_URL;
  if (!server) throw new Error('FENBRIK_TEST_URL is not set: run this through "npm test database"');
  const name = `test_${randomBytes(8).toString('hex')}`;
  await asAdmin(server, `create database ${name} template ${template}`);
  return { url: withName(server, name), drop: () => asAdmin(server, `drop database ${name} with (force)`) };
}
