import type { NextRequest } from 'next/server';
import { sessionCookie } from '@/app/cookies';
import { sessionToken } from '@/app/enter';
import { answer, caught, fromElsewhere } from '@/app/handle';
import { SESSION_COOKIE } from '@/runtime/request-headers';
import { fault } from '@/service/result';
import { signOut } from '@/service/staff/sign-in';

/** Ends the session and leads to the sign-in page. */
export async function POST(request: NextRequest): Promise<Response> {
  try {
    if (fromElsewhere(request)) return answer(fault('forbidden', 'This came from another site.'));
    const token = await sessionToken();
    if (token !== undefined) await signOut(token);
    const gone = sessionCookie(request, SESSION_COOKIE, '', 0);
    return new Response(null, { status: 303, headers: { location: '/sign-in', 'set-cookie': gone } });
  } catch (cause) {
    return caught(cause, request);
  }
}
