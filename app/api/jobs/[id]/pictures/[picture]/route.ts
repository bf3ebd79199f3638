import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { changePicture, changePictureSchema, removePicture, showPicture } from '@/service/job/intake/pictures';
import { fault } from '@/service/result';

const pictureOf = (params: Record<string, string>): number => idOf({ id: params.picture ?? '' });

/** A photograph of the job. It never changes: what it shows and its number stay together. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params) => {
  const bytes = await showPicture(caller, idOf(params), pictureOf(params));
  if (bytes === null) return fault('not-found', 'There is no such picture.');
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'image/jpeg',
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'",
      'cache-control': 'private, max-age=86400, immutable',
    },
  });
});

/** Says what it shows, that its words were dealt with, or that the bench shows it. */
export const PATCH = handle('jobs.write', changePictureSchema, (caller, body, params) =>
  changePicture(caller, idOf(params), pictureOf(params), body),
);

/** Removes it. */
export const DELETE = handle('jobs.write', z.null(), (caller, _, params) =>
  removePicture(caller, idOf(params), pictureOf(params)),
);
