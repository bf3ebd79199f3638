import type { NextRequest } from 'next/server';
import { z } from 'zod';
import { boundedText } from '@/app/bounded-text';
import { SESSION_COOKIE } from '@/app/enter';
import { answer, caught, fromElsewhere } from '@/app/handle';
import { safePath } from '@/app/request-path';
import { parseStorable, storable } from '@/app/storable';
import { fault } from '@/service/result';
import { signIn } from '@/service/sign-in';

const schema = z.object({
  name: z.string().max(200),
  password: z.string().max(500),
  next: z.string().max(500).optional(),
});

/** The session's end is kept in the database; the cookie only has to outlive it. */
const COOKIE_SECONDS = 30 * 24 * 3600;

const MOST_BODY_BYTES = 16 * 1024;

function parsedJson(text: string): unknown {
  try {
    return parseStorable(text);
  } catch {
    return null;
  }
}

function cookie(request: NextRequest, token: string): string {
  const secure = request.nextUrl.protocol === 'https:' || request.headers.get('x-forwarded-proto') === 'https';
  return `${SESSION_COOKIE}=${token}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${COOKIE_SECONDS}${secure ? '; Secure' : ''}`;
}

/** Signs in: from the page's form (answers by leading on) or from the dialog within a page (answers JSON). */
export async function POST(request: NextRequest): Promise<Response> {
  try {
    if (fromElsewhere(request)) return answer(fault('forbidden', 'This came from another site.'));
    const isJson = request.headers.get('content-type')?.startsWith('application/json') === true;
    const text = (await boundedText(request, MOST_BODY_BYTES)) ?? '';
    const typed = schema.safeParse(isJson ? parsedJson(text) : Object.fromEntries(new URLSearchParams(storable(text))));
    if (!typed.success) return answer(fault('bad-input', 'Type your name and your password.'));
    const opened = await signIn(typed.data.name, typed.data.password);
    if (isJson && !opened.ok) return answer(opened);
    const next = safePath(typed.data.next);
    if (!opened.ok) {
      const back = new URLSearchParams({ wrong: opened.code, next, name: typed.data.name.slice(0, 40) });
      return new Response(null, { status: 303, headers: { location: `/sign-in?${back}` } });
    }
    const headers = { 'set-cookie': cookie(request, opened.value.token), location: next };
    return isJson ? Response.json({ signedIn: true }, { headers }) : new Response(null, { status: 303, headers });
  } catch (cause) {
    return caught(cause, request);
  }
}
