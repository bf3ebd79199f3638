import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { quoteTable } from '@/service/job/quote/quote-files';

/** The customer's quote as a table of its lines. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const file = await quoteTable((await params).token);
    return file && { type: 'text/csv; charset=utf-8', as: 'attachment', ...file };
  });
}
