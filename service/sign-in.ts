import { randomBytes } from 'node:crypto';
import { pool, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { hashPassword, passwordMatches } from '../store/password';
import {
  countFailures,
  deleteOverSessions,
  deleteSession,
  forgetFailures,
  insertSession,
  noteFailure,
} from '../store/session';
import { maybeShop } from '../store/shop';
import { type DemoAccount, findForSignIn, listDemoAccounts } from '../store/staff';
import { SESSION_HOURS, tokenHash } from './access';
import { done, fault, type Result } from './result';

const TOKEN_BYTES = 32;
const MOST_FAILURES = 8;
const FAILURE_MINUTES = 10;

/** Compared with where no account has the name, so that both answers take the same time. */
const nobody = hashPassword(randomBytes(TOKEN_BYTES).toString('hex'));

/**
 * Opens a session.
 *
 * @returns the token for the cookie; the same sentence for an unknown name and a wrong password
 */
export async function signIn(name: string, password: string): Promise<Result<{ token: string }>> {
  const signInName = name.trim().toLowerCase().slice(0, 80);
  if ((await countFailures(pool(), signInName, FAILURE_MINUTES)) >= MOST_FAILURES) {
    return fault('busy', `Too many tries under this name: wait ${FAILURE_MINUTES} minutes, then try again.`);
  }
  const member = await findForSignIn(pool(), signInName);
  const matches = await passwordMatches(password, member?.passwordHash ?? (await nobody));
  if (member === null || !matches) {
    await noteFailure(pool(), signInName);
    return fault('signed-out', 'Name or password is not right.');
  }
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  await transaction(async (db) => {
    await deleteOverSessions(db);
    await forgetFailures(db, signInName);
    await insertSession(db, tokenHash(token), member.id, SESSION_HOURS);
    await noteEvent(db, { jobId: null, staffId: member.id, kind: 'signed-in' });
  });
  return done({ token });
}

export async function signOut(token: string): Promise<void> {
  await deleteSession(pool(), tokenHash(token));
}

/** What the sign-in page shows before anyone is known. */
export async function signInPage(): Promise<{ shopName: string | null; demoAccounts: DemoAccount[] }> {
  const [shop, demoAccounts] = await Promise.all([maybeShop(pool()), listDemoAccounts(pool())]);
  return { shopName: shop?.name ?? null, demoAccounts };
}
