import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { quoteXml } from '@/service/job/quote/quote-files';

/** An option of the customer's quote as UBL 2.3 Quotation. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ token: string; option: string }> },
): Promise<Response> {
  return handOut(request, async () => {
    const { token, option } = await params;
    const file = await quoteXml(token, Number(option));
    return file && { type: 'application/xml', as: 'attachment', ...file };
  });
}
