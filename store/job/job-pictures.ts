import type { PhotoCode, WeighedPhoto } from '../../core/reading/photo/photo-words';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

/** Where a picture was taken in. */
export const PICTURE_STATIONS = ['intake', 'fitting', 'proof'] as const;
export type PictureStation = (typeof PICTURE_STATIONS)[number];

/** What was read off a picture. */
export interface PictureWords extends WeighedPhoto {
  codes: PhotoCode[];
}

/** What a person did with a picture's words. */
export type Settled = 'read' | 'left';

/** A picture of a job, but for its bytes. */
export interface JobPicture {
  id: number;
  station: PictureStation;
  name: string;
  caption: string;
  width: number;
  height: number;
  /** what was read off it and nobody has looked at yet; null: somebody has, or there was nothing */
  words: PictureWords | null;
  /** it is shown on the bench */
  inFitting: boolean;
}

export async function listJobPictures(db: Queryable, jobId: number): Promise<JobPicture[]> {
  return many<JobPicture & Record<string, unknown>>(
    db,
    `select id, station, name, caption, width, height, in_fitting as "inFitting",
       case when settled is null then words end as words
     from job_picture where job_id = $1 order by id`,
    [jobId],
  );
}

export async function countJobPictures(db: Queryable, jobId: number): Promise<number> {
  return (
    await one<{ count: number }>(db, 'select count(*)::integer as count from job_picture where job_id = $1', [jobId])
  ).count;
}

/** The id of a job's newest picture; 0: it has none. */
export async function newestPicture(db: Queryable, jobId: number): Promise<number> {
  return (
    await one<{ id: number }>(db, 'select coalesce(max(id), 0) as id from job_picture where job_id = $1', [jobId])
  ).id;
}

/** The picture itself (JPEG); null: the job has no such one. */
export async function getJobPicture(db: Queryable, jobId: number, id: number): Promise<Buffer | null> {
  const found = await maybeOne<{ bytes: Buffer }>(db, 'select bytes from job_picture where job_id = $1 and id = $2', [
    jobId,
    id,
  ]);
  return found?.bytes ?? null;
}

export async function insertJobPicture(
  db: Queryable,
  jobId: number,
  picture: Omit<JobPicture, 'id' | 'caption' | 'words'> & {
    words: PictureWords;
    settled: Settled | null;
    bytes: Buffer;
    staffId: number;
  },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into job_picture (job_id, station, name, bytes, width, height, words, settled, in_fitting, taken_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) returning id`,
    [
      jobId,
      picture.station,
      picture.name,
      picture.bytes,
      picture.width,
      picture.height,
      picture.words,
      picture.settled,
      picture.inFitting,
      picture.staffId,
    ],
  );
  return id;
}

/** Writes what is given; false where the job has no such picture. */
export async function changeJobPicture(
  db: Queryable,
  jobId: number,
  { id, caption, settled, inFitting }: { id: number; caption?: string; settled?: Settled; inFitting?: boolean },
): Promise<boolean> {
  const changed = await run(
    db,
    `update job_picture set caption = coalesce($3, caption), settled = coalesce($4, settled),
       in_fitting = coalesce($5, in_fitting)
     where job_id = $1 and id = $2`,
    [jobId, id, caption ?? null, settled ?? null, inFitting ?? null],
  );
  return changed > 0;
}

/** Takes a picture out; false where the job has no such one. */
export async function dropJobPicture(db: Queryable, jobId: number, id: number): Promise<boolean> {
  return (await run(db, 'delete from job_picture where job_id = $1 and id = $2', [jobId, id])) > 0;
}
