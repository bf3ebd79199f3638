import type { Writable } from 'node:stream';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { noteDatabaseFault } from '../runtime/database-faults';
import { environment } from '../runtime/environment';
import { logCaught } from '../runtime/log';
import { contextId } from '../runtime/request-context';
import { gathering } from './gather';
import type { Named, Queryable } from './queryable';

// int8 as a number: capacities and counters stay far below 2^53. A date stays the text it is, so no zone shifts it.
pg.types.setTypeParser(pg.types.builtins.INT8, (text) => {
  const value = Number(text);
  if (!Number.isSafeInteger(value)) throw new RangeError(`${text} does not fit a safe integer`);
  return value;
});
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

const POOL_SIZE = 10;
const CONNECT_TIMEOUT_MS = 5_000;

let shared: pg.Pool | undefined;

/** The process's pool on `DATABASE_URL`. */
export function pool(): pg.Pool {
  if (shared === undefined) {
    const { DATABASE_URL: connectionString } = environment();
    if (!connectionString) throw new Error('DATABASE_URL is not set');
    shared = new pg.Pool({
      connectionString,
      max: POOL_SIZE,
      connectionTimeoutMillis: CONNECT_TIMEOUT_MS,
      // Compiling a statement takes longer than running any of ours.
      options: '-c jit=off',
    });
    // A connection that the server drops is replaced at the next use, and anyone who waits on it gets the error. Without
    // listeners the same news would end the whole process: idle ones tell the pool, those in use their client.
    shared.on('error', (cause) => logCaught(cause, 'keeping an idle connection to the database'));
    shared.on('connect', (client) => client.on('error', () => {}));
  }
  return shared;
}

/** Ends the process's pool; for commands and tests. */
export async function closePool(): Promise<void> {
  await shared?.end();
  shared = undefined;
}

/** How a transaction begins: with the request that it is run for as the connection's name, until it ends. */
function beginning(begin: string): string {
  const id = contextId();
  return id === null ? begin : `${begin}; set local application_name = '${id}'`;
}

/**
 * Runs `work` in one transaction: all of it is kept, or, when it throws, nothing. A failing rollback never hides
 * the cause.
 */
export async function transaction<T>(work: (db: Queryable) => Promise<T>): Promise<T> {
  const client = await pool().connect().catch(noted);
  let broken: Error | undefined;
  try {
    await client.query(beginning('begin'));
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (cause) {
    await client.query('rollback').catch((error: Error) => {
      broken = error;
    });
    return noted(cause);
  } finally {
    client.release(broken);
  }
}

/**
 * Reads in one moment: all questions see the database as it was at the first of them, whatever is changed meanwhile. What is asked at
 * the same time is one statement.
 */
export async function reading<T>(work: (db: Queryable) => Promise<T>): Promise<T> {
  const client = await pool().connect().catch(noted);
  let broken: Error | undefined;
  try {
    await client.query(beginning('begin isolation level repeatable read read only')).catch(noted);
    return await work(gathering(client));
  } finally {
    await client.query('commit').catch((error: Error) => {
      broken = error;
    });
    client.release(broken);
  }
}

/** Goes on failing; that the database is away is noted for anyone who cannot be told otherwise. */
function noted(cause: unknown): never {
  noteDatabaseFault(cause, Date.now());
  throw cause;
}

/**
 * A statement with the request that it is run for, so that anyone who looks at the server's activity or its log of slow ones finds
 * which it was. A named one is known by its name: its text is the same for all.
 */
function forRequest(what: string | Named): string | Named {
  const id = contextId();
  return id === null || typeof what !== 'string' ? what : `/* ${id} */ ${what}`;
}

/** All rows. */
export async function many<Row extends pg.QueryResultRow>(db: Queryable, what: string | Named, values: unknown[] = []) {
  return (await db.query<Row>(forRequest(what), values).catch(noted)).rows;
}

/** The only row, or null where there is none. Throws where there are several. */
export async function maybeOne<Row extends pg.QueryResultRow>(db: Queryable, text: string, values: unknown[] = []) {
  const rows = await many<Row>(db, text, values);
  if (rows.length > 1) throw new Error(`one row expected at the most, ${rows.length} came`);
  return rows[0] ?? null;
}

/** The only row. Throws where there is none. */
export async function one<Row extends pg.QueryResultRow>(db: Queryable, text: string, values: unknown[] = []) {
  const row = await maybeOne<Row>(db, text, values);
  if (row === null) throw new Error('one row expected, none came');
  return row;
}

/** Runs a statement and tells how many rows it touched. */
export async function run(db: Queryable, text: string, values: unknown[] = []): Promise<number> {
  return (await db.query(forRequest(text), values).catch(noted)).rowCount ?? 0;
}

/**
 * Runs a `copy … from stdin` on a transaction's client; what is written to the stream is copied. Nothing else may be asked
 * of the client before the stream has finished, or was destroyed.
 */
export function copyInto(db: Queryable, statement: string): Writable {
  return (db as pg.PoolClient).query(copyFrom(statement));
}
