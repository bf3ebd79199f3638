import pg from 'pg';

/** Who owns the tables and migrates; and who the application is, with rights on their rows only. */
export const OWNER_ROLE = 'fenbrik_owner';
export const APP_ROLE = 'fenbrik_app';

async function withClient(url: string, work: (client: pg.Client) => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await work(client).finally(() => client.end());
}

/** Gives everything in the schema to the owner: a database that was made before there were roles belongs to its superuser. */
const HAND_OVER = `do $$
declare thing record;
begin
  for thing in
    select case relkind when 'S' then 'sequence' when 'v' then 'view' else 'table' end as kind, oid::regclass::text as name
    from pg_class where relnamespace in (select oid from pg_namespace where nspname in ('public', 'graphile_worker')) and relkind in ('r', 'p', 'v', 'S')
      and not exists (select from pg_depend where objid = pg_class.oid and deptype in ('i', 'e') and classid = 'pg_class'::regclass)
      and relowner <> '${OWNER_ROLE}'::regrole
  loop execute format('alter %s %s owner to ${OWNER_ROLE}', thing.kind, thing.name); end loop;
  for thing in
    select oid::regprocedure::text as name from pg_proc
    where pronamespace in (select oid from pg_namespace where nspname in ('public', 'graphile_worker'))
      and proowner <> '${OWNER_ROLE}'::regrole
      and not exists (select from pg_depend where objid = pg_proc.oid and deptype = 'e')
  loop execute format('alter routine %s owner to ${OWNER_ROLE}', thing.name); end loop;
  if exists (select from pg_namespace where nspname = 'graphile_worker') then
    alter schema graphile_worker owner to ${OWNER_ROLE};
  end if;
end $$`;

/**
 * Makes the two roles on a server of ours, or sets their passwords again, and hands the database over to its owner.
 *
 * @param adminUrl a superuser's, of the database that they are for
 */
export async function makeRoles(adminUrl: string, passwords: { owner: string; app: string }): Promise<void> {
  await withClient(adminUrl, async (client) => {
    for (const [role, password] of [
      [OWNER_ROLE, passwords.owner],
      [APP_ROLE, passwords.app],
    ] as const) {
      const { rowCount } = await client.query('select from pg_roles where rolname = $1', [role]);
      const how = rowCount === 0 ? 'create' : 'alter';
      await client.query(
        `${how} role ${role} login nosuperuser nocreatedb nocreaterole password ${client.escapeLiteral(password)}`,
      );
    }
    const name = client.escapeIdentifier(new URL(adminUrl).pathname.slice(1));
    await client.query(`alter database ${name} owner to ${OWNER_ROLE}`);
    await client.query(`alter schema public owner to ${OWNER_ROLE}`);
    await client.query(HAND_OVER);
    await client.query(`revoke all on database ${name} from public`);
    await client.query(`grant connect, temporary on database ${name} to ${APP_ROLE}`);
  });
}

/** The queue's tables let in nobody but their owner, row by row; the application's role has its rights on them like on ours. */
const LET_IN = `do $$
declare thing record;
begin
  for thing in select oid::regclass::text as name from pg_class
    where relnamespace = 'graphile_worker'::regnamespace and relrowsecurity
  loop execute format('alter table %s disable row level security', thing.name); end loop;
end $$`;

/**
 * Gives the application's role what it needs and nothing else: rows of all tables, but not of the ledger of migrations; no
 * table can be made, changed, emptied or have its triggers put off by it.
 *
 * @param ownerUrl of the person who owns the tables
 * @param appRole the role that the application connects as
 */
export async function grantToApp(ownerUrl: string, appRole = APP_ROLE): Promise<void> {
  await withClient(ownerUrl, async (client) => {
    const role = client.escapeIdentifier(appRole);
    await client.query(`revoke create on schema public from public`);
    await client.query(`grant usage on schema public to ${role}`);
    await client.query(`grant select, insert, update, delete on all tables in schema public to ${role}`);
    await client.query(`grant usage, select on all sequences in schema public to ${role}`);
    await client.query(`revoke insert, update, delete on migration from ${role}`);
    await client.query(`grant usage on schema graphile_worker to ${role}`);
    await client.query(`grant select, insert, update, delete on all tables in schema graphile_worker to ${role}`);
    await client.query(`grant usage, select on all sequences in schema graphile_worker to ${role}`);
    await client.query(`revoke insert, update, delete on graphile_worker.migrations from ${role}`);
    await client.query(LET_IN);
  });
}
