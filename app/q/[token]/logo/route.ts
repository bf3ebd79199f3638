import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { logoByLink } from '@/service/job/quote/quote-files';

/** The shop's mark, for anyone who has a link. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const logo = await logoByLink((await params).token);
    return logo && { type: logo.type, as: 'inline', name: 'logo', bytes: logo.bytes };
  });
}
