import { z } from 'zod';
import { MOST_PHOTO_BYTES } from '../../runtime/body-limits';
import { pool } from '../../store/database';
import { dropPhoto, getPhoto, insertPhoto, listPhotos, type PhotoFile } from '../../store/library/photos';
import { changeModel } from '../job/limits/evidence';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const MOST_PHOTOS = 12;

export const captionSchema = z.string().trim().min(1, 'Say what it shows.').max(120, 'At most 120 characters, please.');

/** First bytes of the kinds of picture that are kept (PNG, ISO/IEC 15948; JPEG, ISO/IEC 10918-1). */
const STARTS: readonly { kind: PhotoFile['kind']; bytes: readonly number[] }[] = [
  { kind: 'image/png', bytes: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a] },
  { kind: 'image/jpeg', bytes: [0xff, 0xd8, 0xff] },
];

/** What kind of picture these bytes begin like, whatever they are called; null: none that is kept. */
export function pictureKind(bytes: Uint8Array): PhotoFile['kind'] | null {
  return STARTS.find((start) => start.bytes.every((byte, at) => bytes[at] === byte))?.kind ?? null;
}

/** Keeps a photograph with a model. */
export async function addPhoto(
  caller: Caller<'library.write'>,
  modelId: number,
  { caption, bytes }: { caption: string; bytes: Buffer },
): Promise<Result<null>> {
  const kind = pictureKind(bytes);
  if (kind === null) return fault('bad-input', 'This is no picture: a PNG or a JPEG is kept.');
  if (bytes.length > MOST_PHOTO_BYTES) return fault('bad-input', 'A picture has at most 2 MiB: take a smaller one.');
  return changeModel(caller, modelId, {
    kind: 'photo-added',
    detail: { caption },
    work: async (db) => {
      if ((await listPhotos(db, modelId)).length >= MOST_PHOTOS) {
        return fault('conflict', `A model keeps at most ${MOST_PHOTOS} pictures: take one out first.`);
      }
      await insertPhoto(db, modelId, { caption, kind, bytes }, caller.id);
      return done(null);
    },
  });
}

export async function takePhotoOut(
  caller: Caller<'library.write'>,
  modelId: number,
  id: number,
): Promise<Result<null>> {
  return changeModel(caller, modelId, {
    kind: 'photo-taken-out',
    detail: { id },
    work: async (db) =>
      (await dropPhoto(db, modelId, id)) ? done(null) : fault('not-found', 'The model has no such picture.'),
  });
}

export async function showPhoto(_: Caller<'library.read'>, modelId: number, id: number): Promise<PhotoFile | null> {
  return getPhoto(pool(), modelId, id);
}
