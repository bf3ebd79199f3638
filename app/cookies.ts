import { isSecure } from '@/runtime/request-headers';

/** A cookie that only our server reads; over TLS it never leaves TLS (RFC 6265). */
export function sessionCookie(request: Request, name: string, value: string, seconds: number): string {
  const secure = isSecure(request.headers) ? '; Secure' : '';
  return `${name}=${value}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${seconds}${secure}`;
}
