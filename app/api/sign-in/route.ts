import type { NextRequest } from 'next/server';
import { z } from 'zod';
import { boundedText } from '@/app/bounded-text';
import { signedInHeaders } from '@/app/cookies';
import { answer, caught, fromElsewhere, parseBody } from '@/app/handle';
import { safePath } from '@/app/request-path';
import { storable } from '@/app/storable';
import { MOST_SIGN_IN_BYTES } from '@/runtime/body-limits';
import { BROWSER_COOKIE, clientAddress } from '@/runtime/request-headers';
import { fault, type Result } from '@/service/result';
import { signIn } from '@/service/staff/sign-in';
import { screenLanguage } from '@/ui/words/on-the-server';

const schema = z.object({
  name: z.string().max(200),
  password: z.string().max(500),
  next: z.string().max(500).optional(),
});
type Typed = z.infer<typeof schema>;

/** What the page's form, or the dialog within a page, sends. */
async function typedIn(request: NextRequest, isForm: boolean): Promise<Result<Typed>> {
  if (!isForm) return parseBody(request, schema, MOST_SIGN_IN_BYTES);
  const text = (await boundedText(request, MOST_SIGN_IN_BYTES)) ?? '';
  const typed = schema.safeParse(Object.fromEntries(new URLSearchParams(storable(text))));
  return typed.success ? { ok: true, value: typed.data } : fault('bad-input', 'Type your name and your password.');
}

/** Signs in: from the page's form (answers by leading on) or from the dialog within a page (answers JSON). */
export async function POST(request: NextRequest): Promise<Response> {
  const isForm = /^application\/x-www-form-urlencoded/i.test(request.headers.get('content-type') ?? '');
  try {
    await screenLanguage();
    if (fromElsewhere(request)) return answer(fault('forbidden', 'This came from another site.'));
    const typed = await typedIn(request, isForm);
    if (!typed.ok) return answer(typed);
    const { name, password } = typed.value;
    const from = { address: clientAddress(request.headers), browser: request.cookies.get(BROWSER_COOKIE)?.value };
    const opened = await signIn(name, password, from);
    if (!isForm && !opened.ok) return answer(opened);
    const next = safePath(typed.value.next);
    if (!opened.ok) {
      const back = new URLSearchParams({ wrong: opened.code, next, name: name.slice(0, 40) });
      return new Response(null, { status: 303, headers: { location: `/sign-in?${back}` } });
    }
    const headers = signedInHeaders(request, opened.value);
    if (!isForm) return Response.json({ signedIn: true }, { headers });
    headers.set('location', next);
    return new Response(null, { status: 303, headers });
  } catch (cause) {
    // The page says what is the matter, or that it cannot be shown just now.
    const told = caught(cause, request);
    return isForm ? new Response(null, { status: 303, headers: { location: '/sign-in?wrong=busy' } }) : told;
  }
}
