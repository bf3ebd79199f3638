import { maybeOne, one, type Queryable, run } from './database';
import type { StaffMember } from './staff';

export async function insertSession(db: Queryable, tokenHash: Buffer, staffId: number, hours: number): Promise<void> {
  await run(
    db,
    `insert into session (token_hash, staff_id, expires_at) values ($1, $2, now() + make_interval(hours => $3))`,
    [tokenHash, staffId, hours],
  );
}

/** Whose session this is, or null where it is unknown, over, or its person has left. */
export async function findSession(db: Queryable, tokenHash: Buffer): Promise<StaffMember | null> {
  return maybeOne<StaffMember>(
    db,
    `select staff.id, sign_in as "signIn", name, role from session join staff on staff.id = staff_id
     where token_hash = $1 and expires_at > now() and left_at is null`,
    [tokenHash],
  );
}

/** Moves the end of a session in use, at most once an hour so that reading pages does not write. */
export async function prolongSession(db: Queryable, tokenHash: Buffer, hours: number): Promise<void> {
  await run(
    db,
    `update session set expires_at = now() + make_interval(hours => $2)
     where token_hash = $1 and expires_at < now() + make_interval(hours => $2 - 1)`,
    [tokenHash, hours],
  );
}

export async function deleteSession(db: Queryable, tokenHash: Buffer): Promise<void> {
  await run(db, 'delete from session where token_hash = $1', [tokenHash]);
}

export async function deleteOverSessions(db: Queryable): Promise<void> {
  await run(db, 'delete from session where expires_at <= now()');
}

/** Failed sign-ins under this name within the last minutes. */
export async function countFailures(db: Queryable, signIn: string, minutes: number): Promise<number> {
  const row = await one<{ count: number }>(
    db,
    'select count(*) from sign_in_failure where sign_in = $1 and at > now() - make_interval(mins => $2)',
    [signIn, minutes],
  );
  return row.count;
}

export async function noteFailure(db: Queryable, signIn: string): Promise<void> {
  await run(db, 'insert into sign_in_failure (sign_in) values ($1)', [signIn]);
}

/** Forgets a name's failures, and everyone's that are older than a day. */
export async function forgetFailures(db: Queryable, signIn: string): Promise<void> {
  await run(db, `delete from sign_in_failure where sign_in = $1 or at < now() - interval '1 day'`, [signIn]);
}
