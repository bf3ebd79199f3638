import type { NextRequest } from 'next/server';
import { answer, caught, fromElsewhere, parseBody } from '@/app/handle';
import { answerQuote, answerSchema } from '@/service/quote-answers';
import { fault } from '@/service/result';

/** What a customer says to a quote: the token is all that it takes. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  try {
    if (fromElsewhere(request)) return answer(fault('forbidden', 'This came from another site.'));
    const body = await parseBody(request, answerSchema);
    return answer(body.ok ? await answerQuote((await params).token, body.value) : body);
  } catch (cause) {
    return caught(cause, request);
  }
}
