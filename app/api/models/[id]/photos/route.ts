import { z } from 'zod';
import { handle, handleParts, idOf } from '@/app/handle';
import { idSchema } from '@/core/bounds';
import { MOST_PHOTO_BYTES } from '@/runtime/body-limits';
import { addPhoto, captionSchema, takePhotoOut } from '@/service/library/photos';
import { fault } from '@/service/result';

/** Keeps a photograph with a model: a form of its `caption` and the picture. */
export const POST = handleParts('library.write', MOST_PHOTO_BYTES, async (caller, { fields, files }, params) => {
  const [file] = files;
  if (file === undefined) return fault('bad-input', 'There is no picture.');
  const caption = captionSchema.safeParse(fields.caption ?? '');
  if (!caption.success) return fault('bad-input', caption.error.issues[0]?.message ?? 'Say what it shows.');
  return addPhoto(caller, idOf(params), { caption: caption.data, bytes: Buffer.from(file.input) });
});

/** Takes one out. */
export const DELETE = handle('library.write', z.strictObject({ id: idSchema }), (caller, body, params) =>
  takePhotoOut(caller, idOf(params), body.id),
);
