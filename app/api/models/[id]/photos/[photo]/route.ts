import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { showPhoto } from '@/service/library/photos';
import { fault } from '@/service/result';

/** A photograph, as the kind of picture that it was found to be. */
export const GET = handle('library.read', z.null(), async (caller, _, params) => {
  const photo = await showPhoto(caller, idOf(params), idOf({ id: params.photo ?? '' }));
  if (photo === null) return fault('not-found', 'There is no such picture.');
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      'content-type': photo.kind,
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'",
      'cache-control': 'private, max-age=86400, immutable',
    },
  });
});
