import { z } from 'zod';
import { handle } from '@/app/handle';
import { guidePicture } from '@/app/help/help-text';
import { fault } from '@/service/result';

/** A picture of the guides. */
export const GET = handle('jobs.read', z.null(), async (_caller, _body, { picture = '' }) => {
  const bytes = guidePicture(picture);
  if (bytes === null) return fault('not-found', 'There is no such picture.');
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'image/png',
      'x-content-type-options': 'nosniff',
      'cache-control': 'private, max-age=3600',
    },
  });
});
