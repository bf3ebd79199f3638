import type { NextRequest } from 'next/server';
import { caught } from '@/app/handle';
import { quotePaper } from '@/service/quote-paper';

/** The customer's PDF. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const paper = await quotePaper((await params).token);
    if (paper === null)
      return new Response('There is nothing here', { status: 404, headers: { 'content-type': 'text/plain' } });
    return new Response(new Uint8Array(paper.bytes), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="${paper.fileName}"`,
        'cache-control': 'private, no-store',
        'x-robots-tag': 'noindex',
      },
    });
  } catch (cause) {
    return caught(cause, request);
  }
}
