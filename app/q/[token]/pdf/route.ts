import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { quotePaper } from '@/service/job/quote/quote-files';

/** The customer's PDF. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const file = await quotePaper((await params).token);
    return file && { type: 'application/pdf', as: 'inline', ...file };
  });
}
