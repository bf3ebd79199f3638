import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { proofByLink } from '@/service/job/proof/proof-sheet';

/** The customer's proof sheet as a PDF. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const file = await proofByLink((await params).token);
    return file && { type: 'application/pdf', as: 'inline', ...file };
  });
}
