import { z } from 'zod';
import type { Language } from '../../core/language';
import { MOST_USUAL_LINES, type UsualLine, usualLineSchema } from '../../core/quoting/usual-line';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getShop } from '../../store/shop/shop';
import { listUsualLines, replaceUsualLines } from '../../store/shop/usual-lines';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const linesSchema = z.array(usualLineSchema).max(MOST_USUAL_LINES, `At most ${MOST_USUAL_LINES} usual lines.`);

/** The lines, and those that the writer saw: what somebody else changed meanwhile is not written over. */
export const usualLinesSchema = z.strictObject({ lines: linesSchema, seen: linesSchema });

/** The shop's usual lines as its owners see them, and what its papers are written in and counted in. */
export async function showUsualLines(
  _: Caller<'shop.settings'>,
): Promise<{ lines: UsualLine[]; language: Language; currency: string }> {
  const [lines, { language, currency }] = await Promise.all([listUsualLines(pool()), getShop(pool())]);
  return { lines, language, currency };
}

/** Texts without those that are empty, so that two that say the same are the same. */
const plain = (lines: readonly UsualLine[]): string =>
  JSON.stringify(
    lines.map(({ texts, cents, taxBp }) => [
      Object.entries(texts)
        .filter(([, text]) => text !== '')
        .sort(),
      cents,
      taxBp,
    ]),
  );

/** Puts other usual lines in place of the shop's; quotes that have them keep them as they are. */
export async function saveUsualLines(
  caller: Caller<'shop.settings'>,
  { lines, seen }: z.infer<typeof usualLinesSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    if (plain(await listUsualLines(db)) !== plain(seen))
      return fault('conflict', 'Somebody changed these lines meanwhile: look at them, then change them again.');
    await replaceUsualLines(db, lines);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'usual-lines-changed', detail: { lines } });
    return done(null);
  });
}
