import { randomBytes } from 'node:crypto';
import pLimit from 'p-limit';

import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { maybeShop } from '../../store/shop/shop';
import { hashPassword, passwordMatches, TooManyPasswords } from '../../store/staff/password';
import {
  deleteOverSessions,
  deleteSession,
  insertSession,
  isKnownBrowser,
  noteBrowser,
} from '../../store/staff/session';
import { type DemoAccount, findForSignIn, listDemoAccounts } from '../../store/staff/staff';
import type { StaffLanguage } from '../../words/languages';
import { done, type Fault, fault, type Result } from '../result';
import { SESSION_HOURS, tokenHash } from './access';
import { forgetSignInTry, takeSignInTry } from './sign-in-tries';

const TOKEN_BYTES = 32;

/** So many sign-ins are dealt with at once, and so many wait: the connections to the database are there for everybody. */
const queue = pLimit(3);
const MOST_WAITING = 30;

/** Compared with where no account has the name, so that both answers take the same time. */
const nobody = hashPassword(randomBytes(TOKEN_BYTES).toString('hex'));

/** Where a try to sign in comes from. */
export interface SignInFrom {
  /** the client's address, behind trusted proxies the one that they tell */
  address: string;
  /** the browser's cookie; undefined: it has none yet */
  browser?: string;
}

export interface SignedIn {
  /** for the session's cookie */
  token: string;
  /** for the browser's cookie: by it this browser is known the next time */
  browser: string;
  /** in which the person reads the screens; null: nobody chose */
  language: StaffLanguage | null;
}

const isMark = (text: string | undefined): text is string => text !== undefined && /^[A-Za-z0-9_-]{43}$/.test(text);

/** How long to wait, as a person says it. */
function waitText(waitMs: number): string {
  const seconds = Math.ceil(waitMs / 1000);
  if (seconds < 60) return seconds === 1 ? '1 second' : `${seconds} seconds`;
  const minutes = Math.ceil(seconds / 60);
  return minutes === 1 ? '1 minute' : `${minutes} minutes`;
}

const MANY = 'Many people are signing in just now: try again in a moment.';

async function weigh(password: string, hash: string): Promise<boolean | Fault> {
  try {
    return await passwordMatches(password, hash);
  } catch (cause) {
    if (cause instanceof TooManyPasswords) return fault('too-many', MANY);
    throw cause;
  }
}

/**
 * Opens a session. Each try is counted before its password is weighed, so no more are weighed than may be.
 *
 * @returns the tokens for the cookies; the same sentence for an unknown name and a wrong password
 */
export async function signIn(
  name: string,
  password: string,
  from: SignInFrom = { address: 'here' },
): Promise<Result<SignedIn>> {
  if (queue.pendingCount >= MOST_WAITING) return fault('too-many', MANY);
  return queue(() => tryToSignIn(name, password, from));
}

async function tryToSignIn(name: string, password: string, from: SignInFrom): Promise<Result<SignedIn>> {
  const signInName = name.trim().toLowerCase().slice(0, 80);
  const member = await findForSignIn(pool(), signInName);
  const browser = isMark(from.browser) ? from.browser : null;
  const isKnown = browser !== null && member !== null && (await isKnownBrowser(pool(), tokenHash(browser), member.id));
  const knownBrowser = isKnown ? tokenHash(browser).toString('base64url') : null;
  const tried = { name: signInName, address: from.address, knownBrowser };
  const waitMs = await takeSignInTry(tried);
  if (waitMs > 0) return fault('too-many', `Too many tries: wait ${waitText(waitMs)}, then try again.`);
  const matches = await weigh(password, member?.passwordHash ?? (await nobody));
  if (typeof matches !== 'boolean') return matches;
  if (member === null || !matches) return fault('signed-out', 'Name or password is not right.');
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  const mark = browser ?? randomBytes(TOKEN_BYTES).toString('base64url');
  await transaction(async (db) => {
    await deleteOverSessions(db);
    await insertSession(db, tokenHash(token), member.id, SESSION_HOURS);
    await noteBrowser(db, tokenHash(mark), member.id);
    await noteEvent(db, { jobId: null, staffId: member.id, kind: 'signed-in' });
  });
  await forgetSignInTry(tried);
  return done({ token, browser: mark, language: member.language });
}

export async function signOut(token: string): Promise<void> {
  await deleteSession(pool(), tokenHash(token));
}

/** What the sign-in page shows before anyone is known. */
export async function signInPage(): Promise<{ shopName: string | null; demoAccounts: DemoAccount[] }> {
  const [shop, demoAccounts] = await Promise.all([maybeShop(pool()), listDemoAccounts(pool())]);
  return { shopName: shop?.name ?? null, demoAccounts };
}
