import type { NextRequest } from 'next/server';
import { handOut } from '@/app/quote-file';
import { openQuote } from '@/service/job/quote/quote';
import { showLogo } from '@/service/shop/logo';

/** The shop's mark, for whoever has a link. */
export async function GET(request: NextRequest, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return handOut(request, async () => {
    const logo = (await openQuote((await params).token)) === null ? null : await showLogo();
    return logo && { type: logo.type, as: 'inline', name: 'logo', bytes: logo.bytes };
  });
}
