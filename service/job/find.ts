import { z } from 'zod';
import { versionSchema } from '../../core/bounds';
import { type ApartQuestion, disambiguate, type Likely } from '../../core/machine/models/disambiguate';
import { pool } from '../../store/database';
import { type EarlierJob, findEarlierJobs } from '../../store/job/earlier-jobs';
import { findModels } from '../../store/library/find-models';
import { listRecentModelIds, summariesOf } from '../../store/library/models';
import type { Caller } from '../staff/access';
import { likelyOf } from './intake/likely-model';

export const findSchema = z.strictObject({
  text: z.string().max(300, 'At most 300 characters are looked for.'),
  /** the job it is typed into, which is not found itself; 0: none */
  jobId: versionSchema.default(0),
});

/** What may be meant by something that is typed or read. */
export interface Found {
  /** models, the likeliest first */
  models: Likely[];
  /** the one question that tells the likeliest apart, where they are nearly equal */
  question: ApartQuestion | null;
  /** jobs of before of this customer or machine */
  jobs: EarlierJob[];
}

const MOST_MODELS = 4;
/** Models whose score is at least this share of the best one's are nearly equal to it. */
const NEAR = 0.97;

const wholeNumber = (text: string): string => (/^[\d\s()+/.-]{5,40}$/.test(text.trim()) ? text : '');

/**
 * Everything that a line typed into the one field may mean: models, and customers and machines that were here before.
 * An empty line means the models of late.
 */
export async function find(_: Caller<'jobs.read'>, { text, jobId }: z.infer<typeof findSchema>): Promise<Found> {
  const line = text.trim();
  const db = pool();
  if (line.includes('\n')) return { models: [], question: null, jobs: [] };
  if (line === '') {
    const recent = await summariesOf(db, await listRecentModelIds(db, MOST_MODELS));
    return { models: recent.map(likelyOf), question: null, jobs: [] };
  }
  const scored = await findModels(db, line, MOST_MODELS);
  const models = (
    await summariesOf(
      db,
      scored.map(({ id }) => id),
    )
  ).map(likelyOf);
  const best = scored[0]?.score ?? 0;
  const near = scored.filter(({ score }) => score >= best * NEAR).map(({ id }) => id);
  const jobs = await findEarlierJobs(db, {
    jobId,
    customerId: 0,
    serial: line,
    phone: wholeNumber(line),
    email: line.includes('@') ? line : '',
    name: line,
  });
  return { models, question: disambiguate(models.filter(({ id }) => near.includes(id))), jobs };
}
