import { createHash } from 'node:crypto';
import { pool } from '../../store/database';
import { findSession, prolongSession, type SessionMember } from '../../store/staff/session';
import type { Role } from '../../store/staff/staff';
import { type Fault, fault } from '../result';

/** What a person may do, and which roles may. A role that is not named here may nothing. */
const RIGHTS = {
  'jobs.read': ['owner', 'technician', 'counter'],
  'jobs.write': ['owner', 'technician', 'counter'],
  'limits.decide': ['owner', 'technician'],
  'quotes.send': ['owner', 'technician', 'counter'],
  /** sell for less than the shop's lowest margin */
  'quotes.below-lowest': ['owner'],
  'proofs.sign': ['owner', 'technician'],
  'library.read': ['owner', 'technician', 'counter'],
  'library.write': ['owner', 'technician'],
  'shop.settings': ['owner'],
  'offers.read': ['owner', 'technician', 'counter'],
  /** change what can be bought: offers, their prices and stock, sellers and their terms */
  'offers.price': ['owner', 'technician'],
  /** see what things cost the shop; the counter too, where an owner says so */
  'costs.read': ['owner', 'technician'],
  'stock.write': ['owner', 'technician'],
  'orders.place': ['owner', 'technician'],
  'staff.manage': ['owner'],
} as const satisfies Record<string, readonly Role[]>;
export type Right = keyof typeof RIGHTS;
export const ALL_RIGHTS = Object.keys(RIGHTS) as Right[];

declare const MAY: unique symbol;

/**
 * A person who was found to have rights: only asking whether they do makes one, so that work which needs a right cannot be
 * handed to somebody who was never asked. Without any it is whoever is signed in.
 */
export type Caller<Has extends Right = never> = SessionMember & { readonly [MAY]: Readonly<Record<Has, true>> };

/** Somebody who may everything, for what a process does on its own and for tests. */
export const asTrusted = (member: SessionMember): Caller<Right> => member as Caller<Right>;

export const SESSION_HOURS = 12;

export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

export function mayDo(
  { role, counterSeesCost }: Pick<SessionMember, 'role' | 'counterSeesCost'>,
  right: Right,
): boolean {
  if (right === 'costs.read' && role === 'counter') return counterSeesCost;
  return (RIGHTS[right] as readonly string[]).includes(role);
}

/** Why somebody may not do what they are about to, whatever address it came through; null: they may. */
export function whyBarred(caller: SessionMember, right: Right): Fault | null {
  return mayDo(caller, right) ? null : fault('forbidden', `The role "${caller.role}" may not do this.`);
}

/**
 * Who calls, if they may. Every page, action and handler asks this first.
 *
 * @param token the session cookie's token; undefined: none came
 * @param onlyWatches a page that lies open asks on its own: that keeps no session going
 */
export async function checkCaller<Asked extends Right>(
  token: string | undefined,
  right: Asked,
  onlyWatches = false,
): Promise<{ ok: true; caller: Caller<Asked> } | Fault> {
  if (token === undefined || token === '') return fault('signed-out', 'Sign in to continue.');
  const found = await findSession(pool(), tokenHash(token), SESSION_HOURS);
  if (found === null) return fault('signed-out', 'Your session has ended: sign in again to continue.');
  const { member, isOlder } = found;
  const barred = whyBarred(member, right);
  if (barred !== null) return barred;
  if (isOlder && !onlyWatches) await prolongSession(pool(), tokenHash(token), SESSION_HOURS);
  return { ok: true, caller: member as Caller<Asked> };
}
