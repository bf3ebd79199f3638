import pg from 'pg';
import { type TestDatabase, testDatabase } from '../testing/database';
import { grantToApp } from './roles';

let database: TestDatabase;
let app: pg.Client;
let admin: pg.Client;

beforeAll(async () => {
  database = await testDatabase();
  [app, admin] = [database.appUrl, database.url].map((connectionString) => new pg.Client({ connectionString })) as [
    pg.Client,
    pg.Client,
  ];
  await Promise.all([app.connect(), admin.connect()]);
});
afterAll(async () => {
  await Promise.all([app.end(), admin.end()]);
  await database.drop();
});

const tried = (statement: string): Promise<string> =>
  app.query(statement).then(
    () => 'done',
    ({ code }: { code: string }) => code,
  );

/** SQLSTATE of a right that is missing. */
const NO_RIGHT = '42501';

describe('the application’s role', () => {
  it('is no superuser, owns nothing and makes no roles', async () => {
    const { rows } = await app.query(
      `select rolsuper as super, rolcreaterole as roles, rolcreatedb as databases,
         (select count(*)::int from pg_class where relowner = pg_roles.oid) as owns
       from pg_roles where rolname = current_user`,
    );
    expect(rows).toEqual([{ super: false, roles: false, databases: false, owns: 0 }]);
  });

  it('reads and writes the rows of every table but the ledger of migrations', async () => {
    const { rows } = await admin.query<{ name: string; may: string }>(
      `select relname as name, concat_ws(' ',
         case when has_table_privilege('fenbrik_app', oid, 'select') then 'select' end,
         case when has_table_privilege('fenbrik_app', oid, 'insert') then 'insert' end,
         case when has_table_privilege('fenbrik_app', oid, 'update') then 'update' end,
         case when has_table_privilege('fenbrik_app', oid, 'delete') then 'delete' end,
         case when has_table_privilege('fenbrik_app', oid, 'truncate') then 'TRUNCATE' end,
         case when has_table_privilege('fenbrik_app', oid, 'references') then 'REFERENCES' end,
         case when has_table_privilege('fenbrik_app', oid, 'trigger') then 'TRIGGER' end) as may
       from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'p') order by relname`,
    );
    expect(rows.length).toBeGreaterThan(30);
    for (const { name, may } of rows)
      expect([name, may]).toEqual([name, name === 'migration' ? 'select' : 'select insert update delete']);
  });

  test.each([
    'create table more (id integer)',
    'create function more() returns integer language sql as $$ select 1 $$',
    'truncate event',
    'alter table quote disable trigger quote_is_kept',
    'alter table staff add column more text',
    'drop table session cascade',
    'create trigger more before update on quote for each row execute function keep_sent_quote()',
    'set session_replication_role = replica',
    'create role more superuser',
    `copy (select 1) to program 'true'`,
    `select pg_read_file('/etc/passwd')`,
    'delete from migration',
  ])('may not: %s', async (statement) => {
    expect(await tried(statement)).toBe(NO_RIGHT);
  });

  it('may look at the rows of a list that came in just now, by the one function that is there for it', async () => {
    expect(await tried('select look_at_list_rows()')).toBe('done');
  });

  it('gets nothing more, and loses nothing, where rights are given again', async () => {
    await grantToApp(database.url);
    expect(await tried('select from job')).toBe('done');
    expect(await tried('delete from migration')).toBe(NO_RIGHT);
  });
});

test('everything belongs to the owner’s role, which is no superuser either', async () => {
  const { rows } = await admin.query(
    `select distinct rolname as owner, rolsuper as super from pg_class join pg_roles on pg_roles.oid = relowner
     where relnamespace = 'public'::regnamespace`,
  );
  expect(rows).toEqual([{ owner: 'fenbrik_owner', super: false }]);
  const routines = await admin.query(
    `select distinct rolname as owner from pg_proc join pg_roles on pg_roles.oid = proowner
     where pronamespace = 'public'::regnamespace
       and not exists (select from pg_depend where objid = pg_proc.oid and deptype = 'e')`,
  );
  expect(routines.rows).toEqual([{ owner: 'fenbrik_owner' }]);
});
