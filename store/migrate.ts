import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import pg from 'pg';
import { caughtAs } from '../runtime/log';
import { type AppliedMigration, parseFileName, pending } from './migration-order';
import { migrateQueue } from './queue/queue';

/** Any number, the same in every process of Fenbrik, so that two never migrate at once. */
const ADVISORY_LOCK = 4_607_112_026;

const LEDGER = `create table if not exists migration (
  number integer primary key,
  name text not null,
  sha256 text not null,
  applied_at timestamptz not null default now()
)`;

async function migrationFiles(folder: string) {
  const names = (await readdir(folder)).filter((name) => name.endsWith('.sql')).sort();
  return Promise.all(
    names.map(async (file) => {
      const sql = await readFile(join(folder, file), 'utf8');
      return { ...parseFileName(file), sql, sha256: createHash('sha256').update(sql).digest('hex') };
    }),
  );
}

/**
 * Brings a database up to this version: each migration and its ledger row in one transaction, all under one
 * advisory lock. A second process waits and then finds nothing to do.
 *
 * @param folder holds the files `NNNN_name.sql`
 * @returns names of the migrations that ran
 */
export async function migrate(databaseUrl: string, folder: string): Promise<string[]> {
  const files = await migrationFiles(folder);
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [ADVISORY_LOCK]);
    await client.query(LEDGER);
    const { rows } = await client.query<AppliedMigration>('select number, name, sha256 from migration order by number');
    const todo = pending(files, rows);
    for (const { number, name, sql } of todo) {
      const sha256 = files[number - 1]?.sha256;
      await client.query('begin');
      try {
        await client.query(sql);
        await client.query('insert into migration (number, name, sha256) values ($1, $2, $3)', [number, name, sha256]);
        await client.query('commit');
      } catch (cause) {
        // Told by the migration's own failure, which is thrown.
        await client.query('rollback').catch(caughtAs('taking back a migration', null));
        throw new Error(`migration ${number} (${name}) failed and was taken back`, { cause });
      }
    }
    // The queue's tables are its package's own; it finds on its own what they lack.
    await migrateQueue(databaseUrl);
    return todo.map(({ name }) => name);
  } finally {
    await client.end();
  }
}
