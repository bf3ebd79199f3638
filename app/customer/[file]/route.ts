import { SECURITY_HEADERS } from '@/app/quote-file';
import { pageFile } from '@/service/job/quote/quote-page';

/** The style, the script and the letters of the customer's page; they change with their address, or never. */
export async function GET(_: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> {
  const file = pageFile((await params).file);
  if (file === null) return new Response('There is nothing here', { status: 404, headers: SECURITY_HEADERS });
  return new Response(new Uint8Array(file.bytes), {
    headers: { ...SECURITY_HEADERS, 'content-type': file.type, 'cache-control': 'public, max-age=31536000, immutable' },
  });
}
