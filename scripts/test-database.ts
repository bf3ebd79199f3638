import { randomBytes } from 'node:crypto';
import pg from 'pg';

const TEMPLATE = 'fenbrik_template';

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

/** A migrated, empty database of one's own on the run's real PostgreSQL. */
export async function testDatabase(): Promise<TestDatabase> {
  const server = process.env.FENBRIK_TEST_URL;
  if (!server) throw new Error('FENBRIK_TEST_URL is not set: run this through "npm test database"');
  const name = `test_${randomBytes(8).toString('hex')}`;
  await asAdmin(server, `create database ${name} template ${TEMPLATE}`);
  return { url: withName(server, name), drop: () => asAdmin(server, `drop database ${name} with (force)`) };
}
