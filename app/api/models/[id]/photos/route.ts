import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { addPhoto, photoSchema, takePhotoOut } from '@/service/photos';

/** Keeps a photograph with a model. */
export const POST = handle('library.write', photoSchema, (caller, body, params) =>
  addPhoto(caller, idOf(params), body),
);

/** Takes one out. */
export const DELETE = handle(
  'library.write',
  z.strictObject({ id: z.number().int().positive() }),
  (caller, body, params) => takePhotoOut(caller, idOf(params), body.id),
);
