import type { NextRequest } from 'next/server';
import { caughtForCustomer, pageHeaders } from '@/app/quote-file';
import { showProofPage } from '@/service/job/proof/proof-sheet';

/** The customer's proof sheet as a page. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const { status, text } = await showProofPage((await params).token);
    return new Response(text, { status, headers: pageHeaders() });
  } catch (cause) {
    return caughtForCustomer(cause, request);
  }
}
