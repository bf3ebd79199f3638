import { maybeOne, run } from '../database';
import type { Queryable } from '../queryable';

/** A code opens for so long after it was printed, days. */
const VALID_DAYS = 7;

/** Keeps a code by its SHA-256, and forgets those that are over. */
export async function insertOpeningCode(db: Queryable, hash: Buffer): Promise<void> {
  await run(db, 'delete from opening_code where made_at < now() - make_interval(days => $1)', [VALID_DAYS]);
  await run(db, 'insert into opening_code (code_hash) values ($1) on conflict do nothing', [hash]);
}

export async function hasOpeningCode(db: Queryable, hash: Buffer): Promise<boolean> {
  const found = await maybeOne(
    db,
    'select 1 as one from opening_code where code_hash = $1 and made_at >= now() - make_interval(days => $2)',
    [hash, VALID_DAYS],
  );
  return found !== null;
}

export async function deleteOpeningCodes(db: Queryable): Promise<void> {
  await run(db, 'delete from opening_code');
}
