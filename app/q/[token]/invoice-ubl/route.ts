import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { invoiceXmlByLink } from '@/service/job/invoice/invoice-files';

/** The customer's invoice as UBL 2.3 Invoice. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const file = await invoiceXmlByLink((await params).token);
    return file && { type: 'application/xml', as: 'attachment', ...file };
  });
}
