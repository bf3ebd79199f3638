import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { noteGoodSession } from '@/runtime/known-sessions';
import { SESSION_COOKIE } from '@/runtime/request-headers';
import { type Caller, checkCaller, type Right } from '@/service/staff/access';
import { requestPath } from './request-path';

/** The session's token as the browser sent it. */
export async function sessionToken(): Promise<string | undefined> {
  return (await cookies()).get(SESSION_COOKIE)?.value;
}

/**
 * Who calls and may: the first line of every page and handler. Pages send people who are not signed in to the
 * sign-in page and back; handlers answer with the fault.
 */
export async function enter<Asked extends Right>(right: Asked, onlyWatches = false) {
  const token = await sessionToken();
  const entered = await checkCaller(token, right, onlyWatches);
  if (entered.ok && token !== undefined) noteGoodSession(token, Date.now());
  return entered;
}

export async function enterPage<Asked extends Right>(right: Asked): Promise<Caller<Asked>> {
  const entered = await enter(right);
  if (entered.ok) return entered.caller;
  if (entered.code === 'forbidden') redirect('/counter?may-not=1');
  redirect(`/sign-in?next=${encodeURIComponent(requestPath(await headers()))}`);
}
