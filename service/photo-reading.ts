import type { PhotoLines } from '../core/reading/photo-words';
import { PHOTO_FAULTS, photoWords } from '../outward/photo-text';
import { pool } from '../store/database';
import { getJob } from '../store/jobs';
import { done, fault, type Result } from './result';

/** Words of a photograph, line by line, and by how much the picture was turned to read them, degrees clockwise. */
export interface PhotoReading {
  lines: PhotoLines;
  turned: number;
}

/** Reads the words of a photograph for a job. Nothing is taken in: a person looks at them first. */
export async function readPhoto(jobId: number, input: Uint8Array): Promise<Result<PhotoReading>> {
  if ((await getJob(pool(), jobId)) === null) return fault('not-found', 'There is no such job.');
  const read = await photoWords(input);
  return read.ok ? done({ lines: read.lines, turned: read.turned }) : fault('bad-input', PHOTO_FAULTS[read.code]);
}
