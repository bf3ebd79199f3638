import { z } from 'zod';
import {
  PHOTO_FAULTS,
  type PhotoFault,
  plainPicture,
  readPicture,
  type TellProgress,
} from '../../../outward/pictures/photo-text';
import { pool } from '../../../store/database';
import {
  changeJobPicture,
  countJobPictures,
  dropJobPicture,
  getJobPicture,
  insertJobPicture,
  PICTURE_STATIONS,
  type PictureWords,
} from '../../../store/job/job-pictures';
import { getJob } from '../../../store/job/jobs';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';

const MOST_PICTURES = 24;
const TOO_MANY = `A job keeps at most ${MOST_PICTURES} pictures: remove one first.`;
const NO_WORDS: PictureWords = { lines: [], added: [], unnamed: [], codes: [] };

export const pictureStationSchema = z.enum(PICTURE_STATIONS);

export interface TakenPicture {
  id: number;
  /** why no words are asked about, in one sentence; null: there are some */
  sentence: string | null;
}

interface Sent {
  name: string;
  input: Uint8Array;
  station: z.infer<typeof pictureStationSchema>;
  /** its words are not looked for: it is kept as a picture */
  plain: boolean;
}

type Looked =
  | { ok: true; jpeg: Buffer; width: number; height: number; words: PictureWords; fault: PhotoFault | null }
  | { ok: false; code: PhotoFault };

async function look({ input, plain }: Sent, tell: TellProgress): Promise<Looked> {
  if (!plain) {
    const read = await readPicture(input, tell);
    if (!read.ok) return read;
    const { kept, lines, added, unnamed, codes, fault: missed } = read;
    return { ok: true, ...kept, words: { lines, added, unnamed, codes }, fault: codes.length > 0 ? null : missed };
  }
  const made = await plainPicture(input, tell);
  return made.ok ? { ok: true, ...made.kept, words: NO_WORDS, fault: null } : made;
}

/**
 * Keeps a photograph with a job and reads its words. Nothing of them is taken in: a person looks at them first. A picture
 * without words is kept all the same.
 *
 * @param tell hears how far the reading is
 */
export async function takePicture(
  caller: Caller<'jobs.write'>,
  jobId: number,
  sent: Sent,
  tell: TellProgress = () => {},
): Promise<Result<TakenPicture>> {
  if ((await getJob(pool(), jobId)) === null) return fault('not-found', 'There is no such job.');
  // It is counted again below: this spares the reading.
  if ((await countJobPictures(pool(), jobId)) >= MOST_PICTURES) return fault('conflict', TOO_MANY);
  const looked = await look(sent, tell);
  if (!looked.ok) return fault(looked.code === 'too-many' ? 'busy' : 'bad-input', PHOTO_FAULTS[looked.code]);
  const { jpeg, width, height, words, fault: missed } = looked;
  return changeJob(caller, jobId, {
    kind: 'picture-added',
    detail: { name: sent.name, station: sent.station },
    needs: [],
    work: async (db) => {
      if ((await countJobPictures(db, jobId)) >= MOST_PICTURES) return fault('conflict', TOO_MANY);
      const isEmpty = words.lines.length === 0 && words.codes.length === 0;
      const id = await insertJobPicture(db, jobId, {
        station: sent.station,
        name: sent.name,
        bytes: jpeg,
        width,
        height,
        words,
        settled: isEmpty ? 'left' : null,
        inFitting: sent.station === 'fitting',
        staffId: caller.id,
      });
      return done({ id, sentence: missed === null ? null : `${PHOTO_FAULTS[missed]} The picture is kept.` });
    },
  });
}

export const changePictureSchema = z.strictObject({
  caption: z.string().trim().max(120, 'At most 120 characters, please.').optional(),
  settled: z.enum(['read', 'left']).optional(),
  inFitting: z.boolean().optional(),
});

const NO_PICTURE = 'The job has no such picture.';

/** Says what a picture shows, that its words were dealt with, or that it is shown on the bench. */
export async function changePicture(
  caller: Caller<'jobs.write'>,
  jobId: number,
  id: number,
  change: z.infer<typeof changePictureSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'picture-changed',
    detail: { id, ...change },
    needs: [],
    work: async (db) =>
      (await changeJobPicture(db, jobId, { id, ...change })) ? done(null) : fault('not-found', NO_PICTURE),
  });
}

export async function removePicture(caller: Caller<'jobs.write'>, jobId: number, id: number): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'picture-removed',
    detail: { id },
    needs: [],
    work: async (db) => ((await dropJobPicture(db, jobId, id)) ? done(null) : fault('not-found', NO_PICTURE)),
  });
}

/** The picture itself (JPEG). */
export const showPicture = async (_: Caller<'jobs.read'>, jobId: number, id: number): Promise<Buffer | null> =>
  getJobPicture(pool(), jobId, id);
