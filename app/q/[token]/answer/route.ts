import type { NextRequest } from 'next/server';
import { boundedText } from '@/app/bounded-text';
import { answer, caught, fromElsewhere, parseBody } from '@/app/handle';
import { caughtForCustomer, nothingHere, pageHeaders } from '@/app/quote-file';
import { storable } from '@/app/storable';
import { MOST_ANSWER_BYTES } from '@/runtime/body-limits';
import { answerQuote, answerSchema } from '@/service/job/quote/quote-answers';
import { opensQuote } from '@/service/job/quote/quote-links';
import { takeForm } from '@/service/job/quote/quote-page';
import { fault } from '@/service/result';

/** What a browser sends on its own: kept, it goes on to the page; else the page comes back with what was typed. */
async function takeSentForm(request: NextRequest, token: string): Promise<Response> {
  const text = await boundedText(request, MOST_ANSWER_BYTES);
  if (text === null) return answer(fault('bad-input', 'This is too large to be read.'));
  const form = new URLSearchParams([...new URLSearchParams(text)].map(([name, value]) => [name, storable(value)]));
  const page = await takeForm(token, form);
  if (page === null) return new Response(null, { status: 303, headers: { location: `/q/${token}` } });
  return new Response(page.text, { status: page.status, headers: pageHeaders() });
}

/** What a customer says to a quote: the token is all that it takes. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  const isForm = (request.headers.get('content-type') ?? '').startsWith('application/x-www-form-urlencoded');
  try {
    if (fromElsewhere(request)) return answer(fault('forbidden', 'This came from another site.'));
    const { token } = await params;
    // Nothing is read of what comes without a link that opens.
    if (!(await opensQuote(token))) return nothingHere();
    if (isForm) return await takeSentForm(request, token);
    const body = await parseBody(request, answerSchema, MOST_ANSWER_BYTES);
    return answer(body.ok ? await answerQuote(token, body.value) : body);
  } catch (cause) {
    return isForm ? caughtForCustomer(cause, request) : caught(cause, request);
  }
}
