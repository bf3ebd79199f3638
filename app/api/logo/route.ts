import { z } from 'zod';
import { handle, handleWhole } from '@/app/handle';
import { MOST_LOGO_BYTES } from '@/runtime/body-limits';
import { fault } from '@/service/result';
import { saveLogo, showLogo } from '@/service/shop/logo';

/** The shop's mark as a file. */
export const GET = handle('shop.settings', z.null(), async (caller) => {
  const logo = await showLogo(caller);
  if (logo === null) return fault('not-found', 'The shop has no logo.');
  const headers = { 'content-type': logo.type, 'cache-control': 'private, no-store' };
  return new Response(new Uint8Array(logo.bytes), { headers });
});

/** Puts a picture on the shop's papers. */
export const PUT = handleWhole('shop.settings', MOST_LOGO_BYTES, (caller, { input }) =>
  saveLogo(caller, Buffer.from(input)),
);

/** Takes it off. */
export const DELETE = handle('shop.settings', z.null(), (caller) => saveLogo(caller, null));
