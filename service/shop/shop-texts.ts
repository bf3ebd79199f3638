import { z } from 'zod';
import { LANGUAGES, type Language } from '../../core/language';
import {
  SUPPLIED_TEXTS,
  TEXT_KEYS,
  type TextKey,
  type TextSet,
  type TextWrong,
  textWrong,
} from '../../core/quoting/words/shop-texts';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import type { Queryable } from '../../store/queryable';
import { approveText, listShopTexts } from '../../store/shop/shop-texts';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

function textFault(wrong: TextWrong): string {
  switch (wrong.what) {
    case 'empty':
      return 'A text is missing.';
    case 'long':
      return 'A text has at most 400 characters.';
    case 'unknown':
      return `${wrong.named} is not known: write {total} for the new total, {visible} for what the operating system can use.`;
  }
}

/** The shop's texts in a language, and which of them nobody approved as they read now. */
export interface TextsInLanguage {
  texts: TextSet;
  unapproved: ReadonlySet<TextKey>;
}

export async function textsIn(db: Queryable, language: Language): Promise<TextsInLanguage> {
  const supplied = SUPPLIED_TEXTS[language];
  const approved = new Map((await listShopTexts(db, language)).map((text) => [text.key, text]));
  const worded = TEXT_KEYS.map((key) => [key, approved.get(key)?.words ?? supplied[key]] as const);
  return {
    texts: Object.fromEntries(worded) as TextSet,
    unapproved: new Set(
      TEXT_KEYS.filter((key) => {
        const text = approved.get(key);
        return text === undefined || (text.words === null && text.supplied !== supplied[key]);
      }),
    ),
  };
}

/** A text as its owner looks at it. */
export interface TextRow {
  key: TextKey;
  words: string;
  supplied: string;
  /** null: it is not approved as it reads */
  approved: { by: string; on: string } | null;
}

/** All texts in all languages. */
export async function showTexts(_: Caller<'shop.settings'>): Promise<Record<Language, TextRow[]>> {
  const known = new Map((await listShopTexts(pool(), null)).map((text) => [`${text.language} ${text.key}`, text]));
  const rows = LANGUAGES.map((language): [Language, TextRow[]] => [
    language,
    TEXT_KEYS.map((key) => {
      const supplied = SUPPLIED_TEXTS[language][key];
      const text = known.get(`${language} ${key}`);
      const isCurrent = text !== undefined && (text.words !== null || text.supplied === supplied);
      return {
        key,
        words: text?.words ?? supplied,
        supplied,
        approved: isCurrent ? { by: text.approvedBy, on: text.approvedOn } : null,
      };
    }),
  ]);
  return Object.fromEntries(rows) as Record<Language, TextRow[]>;
}

export const approvalSchema = z.strictObject({
  language: z.enum(LANGUAGES),
  /** the texts that are approved as they are worded here */
  texts: z
    .array(z.strictObject({ key: z.enum(TEXT_KEYS as [TextKey, ...TextKey[]]), words: z.string().max(2000) }))
    .min(1)
    .max(TEXT_KEYS.length),
});

/** Approves texts as they are worded; one that reads as it is supplied stays tied to that. */
export async function approveTexts(
  caller: Caller<'shop.settings'>,
  { language, texts }: z.infer<typeof approvalSchema>,
): Promise<Result<null>> {
  for (const { words } of texts) {
    const wrong = textWrong(words);
    if (wrong !== null) return fault('bad-input', textFault(wrong));
  }
  return transaction(async (db) => {
    for (const { key, words } of texts) {
      const supplied = SUPPLIED_TEXTS[language][key];
      const own = words.trim() === supplied ? null : words.trim();
      await approveText(db, { key, language, words: own, supplied }, caller.id);
    }
    const detail = { language, keys: texts.map(({ key }) => key) };
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'texts-approved', detail });
    return done(null);
  });
}
