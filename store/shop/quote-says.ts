import type { Language } from '../../core/language';
import type { PaperTextKind } from '../../core/quoting/paper-text';
import { many, run } from '../database';
import type { Queryable } from '../queryable';

/** A text as it stands now; `words` empty: it is on no quote. */
export interface StoredPaperText {
  kind: PaperTextKind;
  language: Language;
  version: number;
  words: string;
  by: string | null;
  /** `YYYY-MM-DD` where the shop is */
  on: string;
}

/** The last version of each of the shop's texts. */
export async function listPaperTexts(db: Queryable): Promise<StoredPaperText[]> {
  return many<StoredPaperText & Record<string, unknown>>(
    db,
    `select distinct on (kind, paper_text.language) kind, paper_text.language, version, words, staff.name as by,
       (written_at at time zone (select time_zone from shop))::date::text as "on"
     from paper_text left join staff on staff.id = written_by order by kind, paper_text.language, version desc`,
    [],
  );
}

/** Writes the next version of a text; false: somebody wrote one since the writer looked. */
export async function insertPaperText(
  db: Queryable,
  { kind, language, words, seen }: Pick<StoredPaperText, 'kind' | 'language' | 'words'> & { seen: number },
  staffId: number,
): Promise<boolean> {
  const written = await run(
    db,
    `insert into paper_text (kind, language, version, words, written_by)
     select $1, $2, $4 + 1, $3, $5
     where $4 = coalesce((select max(version) from paper_text where kind = $1 and language = $2), 0)
     on conflict do nothing`,
    [kind, language, words, seen, staffId],
  );
  return written > 0;
}

/** What every quote says beside its options, in figures. */
export interface QuoteSays {
  guaranteePartsMonths: number;
  guaranteeWorkMonths: number;
  paperPerGb: boolean;
}

export async function updateQuoteSays(db: Queryable, says: QuoteSays): Promise<void> {
  await run(db, 'update shop set guarantee_parts_months = $1, guarantee_work_months = $2, paper_per_gb = $3', [
    ...[says.guaranteePartsMonths, says.guaranteeWorkMonths, says.paperPerGb],
  ]);
}
