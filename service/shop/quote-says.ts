import { z } from 'zod';
import { LANGUAGES, type Language } from '../../core/language';
import { MOST_PAPER_TEXT, PAPER_TEXTS } from '../../core/quoting/paper-text';
import { withdrawalModel } from '../../core/quoting/words/withdrawal-model';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import {
  insertPaperText,
  listPaperTexts,
  type QuoteSays,
  type StoredPaperText,
  updateQuoteSays,
} from '../../store/shop/quote-says';
import { getShop } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const months = z.number().int().min(0, 'Months are 0 or more.').max(120, 'At most ten years.');

export const quoteSaysSchema = z.strictObject({
  guaranteePartsMonths: months,
  guaranteeWorkMonths: months,
  paperPerGb: z.boolean(),
});

export interface ShownQuoteSays {
  says: QuoteSays;
  texts: StoredPaperText[];
  /** the country's own notice on withdrawal, by language, to begin with; null: none is known */
  withdrawal: Record<Language, string> | null;
}

/** What every quote says, with the shop's texts as they stand now. */
export async function showQuoteSays(_: Caller<'shop.settings'>): Promise<ShownQuoteSays> {
  const [shop, texts] = await Promise.all([getShop(pool()), listPaperTexts(pool())]);
  const { guaranteePartsMonths, guaranteeWorkMonths, paperPerGb, country } = shop;
  const models = LANGUAGES.flatMap((language) => {
    const model = withdrawalModel(country, language, shop);
    return model === null ? [] : [[language, model] as const];
  });
  return {
    says: { guaranteePartsMonths, guaranteeWorkMonths, paperPerGb },
    texts,
    withdrawal: models.length === 0 ? null : (Object.fromEntries(models) as Record<Language, string>),
  };
}

/** Writes what quotes say from now on; what is out stays as it is. */
export async function saveQuoteSays(
  caller: Caller<'shop.settings'>,
  says: z.infer<typeof quoteSaysSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    await updateQuoteSays(db, says);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'quote-says-changed', detail: says });
    return done(null);
  });
}

export const paperTextSchema = z.strictObject({
  kind: z.enum(PAPER_TEXTS),
  language: z.enum(LANGUAGES),
  words: z.string().trim().max(MOST_PAPER_TEXT, `At most ${MOST_PAPER_TEXT} characters, please.`),
  /** the version that the writer saw; 0: none */
  seen: z.number().int().min(0).max(1_000_000),
});

/** Writes the next version of a text; the owner who writes it approves it by that. */
export async function savePaperText(
  caller: Caller<'shop.settings'>,
  text: z.infer<typeof paperTextSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    if (!(await insertPaperText(db, text, caller.id)))
      return fault('conflict', 'Somebody changed this text meanwhile: look at it, then change it again.');
    const { kind, language } = text;
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'paper-text-written', detail: { kind, language } });
    return done(null);
  });
}
