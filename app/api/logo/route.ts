import { z } from 'zod';
import { handle, handleFile } from '@/app/handle';
import { MOST_LOGO_BYTES, saveLogo, showLogo } from '@/service/logo';
import { fault } from '@/service/result';

/** The shop's mark as a file. */
export const GET = handle('shop.settings', z.null(), async () => {
  const logo = await showLogo();
  if (logo === null) return fault('not-found', 'The shop has no logo.');
  const headers = { 'content-type': logo.type, 'cache-control': 'private, no-store' };
  return new Response(new Uint8Array(logo.bytes), { headers });
});

/** Puts a picture on the shop's papers; of a larger one no more is read than shows that it is. */
export const PUT = handleFile('shop.settings', async (caller, { input }) => {
  const pieces: Uint8Array[] = [];
  let length = 0;
  for await (const piece of input) {
    pieces.push(piece);
    length += piece.length;
    if (length > MOST_LOGO_BYTES) break;
  }
  return saveLogo(caller, Buffer.concat(pieces));
});

/** Takes it off. */
export const DELETE = handle('shop.settings', z.null(), (caller) => saveLogo(caller, null));
