import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';
import type { StaffMember } from './staff';

/** Somebody who is signed in, and what the shop says of their role. */
export interface SessionMember extends StaffMember {
  counterSeesCost: boolean;
}

export async function insertSession(db: Queryable, tokenHash: Buffer, staffId: number, hours: number): Promise<void> {
  await run(
    db,
    `insert into session (token_hash, staff_id, expires_at) values ($1, $2, now() + make_interval(hours => $3))`,
    [tokenHash, staffId, hours],
  );
}

/** A session that is good, and whether its end is to be moved: at most once an hour, so that reading pages does not write. */
export interface FoundSession {
  member: SessionMember;
  isOlder: boolean;
}

/** Whose session this is, or null where it is unknown, over, or its person has left. @param hours for which a new one is good */
export async function findSession(db: Queryable, tokenHash: Buffer, hours: number): Promise<FoundSession | null> {
  const row = await maybeOne<SessionMember & { isOlder: boolean } & Record<string, unknown>>(
    db,
    `select staff.id, sign_in as "signIn", name, role, language,
       coalesce((select counter_sees_cost from shop), false) as "counterSeesCost",
       expires_at < now() + make_interval(hours => $2 - 1) as "isOlder"
     from session join staff on staff.id = staff_id
     where token_hash = $1 and expires_at > now() and left_at is null`,
    [tokenHash, hours],
  );
  if (row === null) return null;
  const { isOlder, ...member } = row;
  return { member, isOlder };
}

/** Moves the end of a session in use. */
export async function prolongSession(db: Queryable, tokenHash: Buffer, hours: number): Promise<void> {
  await run(db, 'update session set expires_at = now() + make_interval(hours => $2) where token_hash = $1', [
    tokenHash,
    hours,
  ]);
}

export async function deleteSession(db: Queryable, tokenHash: Buffer): Promise<void> {
  await run(db, 'delete from session where token_hash = $1', [tokenHash]);
}

export async function deleteOverSessions(db: Queryable): Promise<void> {
  await run(db, 'delete from session where expires_at <= now()');
}

/** Did this person sign in from this browser within the last months? */
export async function isKnownBrowser(db: Queryable, browserHash: Buffer, staffId: number): Promise<boolean> {
  const asked = `select 1 from known_browser where browser_hash = $1 and staff_id = $2 and seen_at > now() - interval '180 days'`;
  return (await many(db, asked, [browserHash, staffId])).length > 0;
}

/** Notes that this person signed in from this browser; of each person the last 50 browsers are kept. */
export async function noteBrowser(db: Queryable, browserHash: Buffer, staffId: number): Promise<void> {
  await run(
    db,
    `insert into known_browser (browser_hash, staff_id) values ($1, $2)
     on conflict (browser_hash, staff_id) do update set seen_at = now()`,
    [browserHash, staffId],
  );
  await run(
    db,
    `delete from known_browser where staff_id = $1 and browser_hash not in
       (select browser_hash from known_browser where staff_id = $1 order by seen_at desc limit 50)`,
    [staffId],
  );
}
