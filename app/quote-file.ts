import type { NextRequest } from 'next/server';
import { caught } from './handle';

/** A file that a customer's link leads to. */
export interface QuoteFile {
  type:
    | 'application/pdf'
    | 'application/json'
    | 'application/xml'
    | 'text/csv; charset=utf-8'
    | 'image/png'
    | 'image/jpeg';
  /** `inline` is shown, `attachment` is kept */
  as: 'inline' | 'attachment';
  name: string;
  bytes: Uint8Array;
}

/** Hands out a file behind a customer's link; null: the link opens nothing, and nothing is told. */
export async function handOut(request: NextRequest, make: () => Promise<QuoteFile | null>): Promise<Response> {
  try {
    const file = await make();
    if (file === null)
      return new Response('There is nothing here', { status: 404, headers: { 'content-type': 'text/plain' } });
    return new Response(new Uint8Array(file.bytes), {
      headers: {
        'content-type': file.type,
        'content-disposition': `${file.as}; filename="${file.name}"`,
        'cache-control': 'private, no-store',
        'x-robots-tag': 'noindex',
      },
    });
  } catch (cause) {
    return caught(cause, request);
  }
}
