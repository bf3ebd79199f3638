import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { quoteJson } from '@/service/job/quote/quote-files';

/** The customer's quote as data: the bytes that its code is made of. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const file = await quoteJson((await params).token);
    return file && { type: 'application/json', as: 'attachment', ...file };
  });
}
