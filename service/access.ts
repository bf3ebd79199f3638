import { createHash } from 'node:crypto';
import { pool } from '../store/database';
import { findSession, prolongSession } from '../store/session';
import type { Role, StaffMember } from '../store/staff';
import { type Fault, fault } from './result';

export type Caller = StaffMember;

/** What a person may do, and which roles may. A role that is not named here may nothing. */
const RIGHTS = {
  'jobs.read': ['owner', 'technician', 'counter'],
  'jobs.write': ['owner', 'technician', 'counter'],
  'limits.decide': ['owner', 'technician'],
  'quotes.send': ['owner', 'technician', 'counter'],
  'library.read': ['owner', 'technician', 'counter'],
  'library.write': ['owner', 'technician'],
  'shop.settings': ['owner'],
  'offers.read': ['owner', 'technician', 'counter'],
  'offers.price': ['owner', 'technician'],
  'staff.manage': ['owner'],
} as const satisfies Record<string, readonly Role[]>;
export type Right = keyof typeof RIGHTS;

export const SESSION_HOURS = 12;

export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

export function mayDo(role: string, right: Right): boolean {
  return (RIGHTS[right] as readonly string[]).includes(role);
}

/**
 * Who calls, if they may. Every page, action and handler asks this first.
 *
 * @param token the session cookie's token; undefined: none came
 */
export async function checkCaller(
  token: string | undefined,
  right: Right,
): Promise<{ ok: true; caller: Caller } | Fault> {
  if (token === undefined || token === '') return fault('signed-out', 'Sign in to go on.');
  const caller = await findSession(pool(), tokenHash(token));
  if (caller === null) return fault('signed-out', 'Your session has ended: sign in again to go on.');
  if (!mayDo(caller.role, right)) return fault('forbidden', `The role "${caller.role}" may not do this.`);
  await prolongSession(pool(), tokenHash(token), SESSION_HOURS);
  return { ok: true, caller };
}
