import { z } from 'zod';
import { LANGUAGES } from '../core/quoting/words/language';
import { pool, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { getShop, PAPERS, type Shop, updatePapers } from '../store/shop';
import type { Caller } from './access';
import { done, type Result } from './result';

export const papersSchema = z.strictObject({ language: z.enum(LANGUAGES), paper: z.enum(PAPERS) });

export async function showPapers(): Promise<Pick<Shop, 'language' | 'paper' | 'hasLogo'>> {
  const { language, paper, hasLogo } = await getShop(pool());
  return { language, paper, hasLogo };
}

/** Writes what customers' papers are usually written in, and what they are printed on. */
export async function savePapers(caller: Caller, papers: z.infer<typeof papersSchema>): Promise<Result<null>> {
  return transaction(async (db) => {
    await updatePapers(db, papers);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'papers-changed', detail: papers });
    return done(null);
  });
}
