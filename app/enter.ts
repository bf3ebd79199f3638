import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { type Caller, checkCaller, type Right } from '@/service/access';
import { requestPath } from './request-path';

export const SESSION_COOKIE = 'fenbrik-session';

/** The session's token as the browser sent it. */
export async function sessionToken(): Promise<string | undefined> {
  return (await cookies()).get(SESSION_COOKIE)?.value;
}

/**
 * Who calls and may: the first line of every page and handler. Pages send people who are not signed in to the
 * sign-in page and back; handlers answer with the fault.
 */
export async function enter(right: Right) {
  return checkCaller(await sessionToken(), right);
}

export async function enterPage(right: Right): Promise<Caller> {
  const entered = await enter(right);
  if (entered.ok) return entered.caller;
  if (entered.code === 'forbidden') redirect('/counter?may-not=1');
  redirect(`/sign-in?next=${encodeURIComponent(requestPath(await headers()))}`);
}
