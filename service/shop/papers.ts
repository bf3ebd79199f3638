import { z } from 'zod';
import { LANGUAGES } from '../../core/language';
import { MOST_ACCEPT_LETTERS } from '../../core/shop/accept-words';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getShop, PAPERS, type Papers, type Shop, updatePapers } from '../../store/shop/shop';
import { done, type Result } from '../result';
import type { Caller } from '../staff/access';

const acceptWords = z
  .string()
  .trim()
  .max(MOST_ACCEPT_LETTERS, `A button has at most ${MOST_ACCEPT_LETTERS} characters.`);

export const papersSchema = z.strictObject({
  language: z.enum(LANGUAGES),
  paper: z.enum(PAPERS),
  mailFrom: z.union([z.literal(''), z.email('A mail address is written as quotes@shop.example.').max(200)]),
  /** what the button says by which a customer accepts; empty: the usual word */
  acceptWords: z.strictObject({ en: acceptWords, de: acceptWords, fr: acceptWords }).partial(),
  /** customers read a part's number, and who sells it, beside its maker */
  paperPart: z.boolean(),
  paperSeller: z.boolean(),
  remindDays: z.number().int().min(0, 'Days are 0 or more.').max(30, 'A month before is early enough.'),
});

export async function showPapers(_: Caller<'shop.settings'>): Promise<Papers & Pick<Shop, 'hasLogo'>> {
  const { language, paper, mailFrom, remindDays, acceptWords, paperPart, paperSeller, hasLogo } = await getShop(pool());
  return { language, paper, mailFrom, remindDays, acceptWords, paperPart, paperSeller, hasLogo };
}

/** Writes what customers' papers are usually written in, and what they are printed on. */
export async function savePapers(
  caller: Caller<'shop.settings'>,
  papers: z.infer<typeof papersSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    await updatePapers(db, papers);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'papers-changed', detail: papers });
    return done(null);
  });
}
