import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { roleUrls } from '../scripts/start/cluster';
import { closePool } from '../store/database';
import { APP_ROLE, grantToApp, makeRoles } from '../store/roles';

const TEMPLATE = 'fenbrik_template';
const DEMO = 'fenbrik_demo';

const withName = (url: string, name: string): string => url.replace(/\/[^/]*$/, `/${name}`);

async function asAdmin(url: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: withName(url, 'postgres') });
  await client.connect();
  await client.query(statement).finally(() => client.end());
}

/** On a cluster of a test run roles have passwords that everybody may know. */
const PASSWORDS = { owner: 'owner-of-tests', app: 'app-of-tests' };

/** Makes the migrated database a template, which new databases copy within milliseconds; roles have their rights in it. */
export async function makeTemplate(url: string): Promise<void> {
  await makeRoles(url, PASSWORDS);
  await grantToApp(roleUrls(url, PASSWORDS).owner);
  await asAdmin(url, `create database ${TEMPLATE} template fenbrik`);
}

export interface TestDatabase {
  /** as its superuser, for what tests do to it */
  url: string;
  /** as the application's role, with no rights but those */
  appUrl: string;
  drop: () => Promise<void>;
}

/** Makes the template that `demoDatabase` copies: `load` fills it, as a shop that starts. */
export async function makeDemoTemplate(url: string, load: (url: string) => Promise<void>): Promise<void> {
  await asAdmin(url, `create database ${DEMO} template ${TEMPLATE}`);
  await load(withName(url, DEMO));
  // Anyone who is still connected would keep it from being copied.
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
  // Who may connect is not copied with a database.
  await asAdmin(server, `grant connect, temporary on database ${name} to ${APP_ROLE}`);
  const url = withName(server, name);
  return {
    url,
    appUrl: roleUrls(url, PASSWORDS).app,
    drop: () => asAdmin(server, `drop database ${name} with (force)`),
  };
}

/** A database of one's own for all tests of a file, as the superuser: `database.url` once the tests run. */
export function openDatabase(): TestDatabase {
  const database = {} as TestDatabase;
  beforeAll(async () => {
    Object.assign(database, await testDatabase());
    process.env.DATABASE_URL = database.url;
  });
  afterAll(async () => {
    await closePool();
    await database.drop();
  });
  return database;
}
