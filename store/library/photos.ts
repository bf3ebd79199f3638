import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

export interface Photo {
  id: number;
  caption: string;
}

export async function listPhotos(db: Queryable, modelId: number): Promise<Photo[]> {
  return many<Photo & Record<string, unknown>>(
    db,
    'select id, caption from model_photo where model_id = $1 order by id',
    [modelId],
  );
}

export interface PhotoFile {
  kind: 'image/png' | 'image/jpeg';
  bytes: Buffer;
}

export async function getPhoto(db: Queryable, modelId: number, id: number): Promise<PhotoFile | null> {
  return maybeOne<PhotoFile & Record<string, unknown>>(
    db,
    'select kind, bytes from model_photo where model_id = $1 and id = $2',
    [modelId, id],
  );
}

export async function insertPhoto(
  db: Queryable,
  modelId: number,
  photo: { caption: string; kind: PhotoFile['kind']; bytes: Uint8Array },
  staffId: number,
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    'insert into model_photo (model_id, caption, kind, bytes, entered_by) values ($1, $2, $3, $4, $5) returning id',
    [modelId, photo.caption, photo.kind, Buffer.from(photo.bytes), staffId],
  );
  return id;
}

/** Takes a photograph out; false where the model has none of this id. */
export async function dropPhoto(db: Queryable, modelId: number, id: number): Promise<boolean> {
  // A step that it showed goes on without it.
  await run(
    db,
    `update model set opening = (
       select jsonb_agg(case when step ->> 'photo' = $2::text then jsonb_set(step, '{photo}', 'null') else step end order by nr)
       from jsonb_array_elements(opening) with ordinality as one (step, nr))
     where id = $1 and opening @> jsonb_build_array(jsonb_build_object('photo', $2::integer))`,
    [modelId, id],
  );
  return (await run(db, 'delete from model_photo where model_id = $1 and id = $2', [modelId, id])) > 0;
}
