import { BROWSER_COOKIE, isSecure, SESSION_COOKIE } from '@/runtime/request-headers';
import type { SignedIn } from '@/service/staff/sign-in';
import { LANGUAGE_COOKIE } from '@/ui/words/language-cookie';
import type { StaffLanguage } from '@/words/languages';

/** The session's end is kept in the database; the cookie only has to outlive it. */
const SESSION_SECONDS = 30 * 24 * 3600;
const BROWSER_SECONDS = 365 * 24 * 3600;

/** A cookie that only our server reads; over TLS it never leaves TLS (RFC 6265). */
export function sessionCookie(request: Request, name: string, value: string, seconds: number): string {
  const secure = isSecure(request.headers) ? '; Secure' : '';
  return `${name}=${value}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${seconds}${secure}`;
}

/** The language of the screens, which the page's own switch may write too. */
export function languageCookie(request: Request, language: StaffLanguage): string {
  const secure = isSecure(request.headers) ? '; Secure' : '';
  return `${LANGUAGE_COOKIE}=${language}; Path=/; SameSite=Lax; Max-Age=${BROWSER_SECONDS}${secure}`;
}

/** What a browser is told to keep when somebody has signed in. */
export function signedInHeaders(request: Request, { token, browser, language }: SignedIn): Headers {
  const headers = new Headers();
  headers.append('set-cookie', sessionCookie(request, SESSION_COOKIE, token, SESSION_SECONDS));
  headers.append('set-cookie', sessionCookie(request, BROWSER_COOKIE, browser, BROWSER_SECONDS));
  if (language !== null) headers.append('set-cookie', languageCookie(request, language));
  return headers;
}
