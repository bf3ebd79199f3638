import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { invoiceByLink } from '@/service/job/invoice/invoice-files';

/** The customer's invoice as a PDF. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const file = await invoiceByLink((await params).token);
    return file && { type: 'application/pdf', as: 'inline', ...file };
  });
}
