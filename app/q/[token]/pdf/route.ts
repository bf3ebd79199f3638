import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { quotePaper } from '@/service/quote-paper';

/** The customer's PDF. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const paper = await quotePaper((await params).token);
    return paper && { type: 'application/pdf', as: 'inline', name: paper.fileName, bytes: paper.bytes };
  });
}
