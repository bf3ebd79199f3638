import type { Language } from '../../core/language';
import type { TextKey } from '../../core/quoting/words/shop-texts';
import { many, run } from '../database';
import type { Queryable } from '../queryable';

/** A text as the shop approved it. */
export interface ShopText {
  key: TextKey;
  language: Language;
  /** the shop's own words; null: as it is supplied */
  words: string | null;
  /** the supplied text as it read then */
  supplied: string;
  approvedBy: string;
  /** the day, in the shop's zone */
  approvedOn: string;
}

/** What the shop approved, in one language or in all. */
export async function listShopTexts(db: Queryable, language: Language | null): Promise<ShopText[]> {
  return many<ShopText & Record<string, unknown>>(
    db,
    `select key, shop_text.language, words, supplied, staff.name as "approvedBy",
       (approved_at at time zone (select time_zone from shop))::date::text as "approvedOn"
     from shop_text join staff on staff.id = approved_by where $1::text is null or shop_text.language = $1`,
    [language],
  );
}

/** Notes that a text is approved as it is worded now, in place of what was approved before. */
export async function approveText(
  db: Queryable,
  text: Pick<ShopText, 'key' | 'language' | 'words' | 'supplied'>,
  staffId: number,
): Promise<void> {
  await run(
    db,
    `insert into shop_text (key, language, words, supplied, approved_by) values ($1, $2, $3, $4, $5)
     on conflict (key, language) do update
       set words = excluded.words, supplied = excluded.supplied, approved_by = excluded.approved_by, approved_at = now()`,
    [text.key, text.language, text.words, text.supplied, staffId],
  );
}
