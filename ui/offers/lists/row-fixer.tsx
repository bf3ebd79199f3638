'use client';
import { type KeyboardEvent, useState } from 'react';
import { useTranslations } from '#translations';
import { fixesFor, type RowFix } from '@/core/price-list/correct-row';
import type { ListedRow } from '@/core/price-list/read-row';
import { useSave } from '../../client/use-save';
import { INPUT_LOOK } from '../../kit/field';
import { FIX_TEXTS, typedFix } from './list-words';

interface RowFixerProps {
  listId: number;
  row: Pick<ListedRow, 'line' | 'sku' | 'doubts'>;
  /** that the seller prints in */
  currency: string;
}

/**
 * What a doubtful row does not tell, to be typed in its place: Enter keeps it and goes on to the next field that is
 * asked, of this row or the next one, so that a queue of them is a matter of typing.
 */
export function RowFixer({ listId, row, currency }: RowFixerProps) {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const fields = fixesFor(row);
  const [typed, setTyped] = useState<Partial<Record<keyof RowFix, string>>>({});
  const [wrong, setWrong] = useState<string | null>(null);
  if (fields.length === 0) return null;

  /** What was typed, all of it; null where something is wrong, which is told. */
  const wholeFix = (): RowFix | null => {
    let fix: RowFix = {};
    for (const field of fields) {
      const made = typedFix(t, field, typed[field] ?? '', currency);
      if (!made.ok) {
        setWrong(made.sentence);
        return null;
      }
      fix = { ...fix, ...made.fix };
    }
    setWrong(null);
    return fix;
  };
  const key = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    const asked = [...document.querySelectorAll<HTMLInputElement>('input[data-fix]')];
    const next = asked[asked.indexOf(event.currentTarget) + 1];
    if (event.currentTarget.dataset.fix === String(fields.at(-1))) {
      const fix = wholeFix();
      if (fix === null) return;
      void save('PATCH', `/api/lists/${listId}`, { line: row.line, fix });
    }
    next?.focus();
  };
  return (
    <span className="flex flex-wrap items-center gap-2 mt-1">
      {fields.map((field) => (
        <span key={field} className="w-40">
          <input
            data-fix={field}
            aria-label={t('lists.fixOf', {
              label: t(FIX_TEXTS[field].label),
              value: row.sku || t('lists.lineNr', { line: row.line }),
            })}
            placeholder={`${t(FIX_TEXTS[field].label)}: ${FIX_TEXTS[field].placeholder}`}
            className={INPUT_LOOK}
            value={typed[field] ?? ''}
            disabled={busy}
            onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
            onKeyDown={key}
          />
        </span>
      ))}
      {(wrong ?? sentence) !== null && (
        <span role="alert" className="text-stop font-medium">
          {wrong ?? sentence}
        </span>
      )}
    </span>
  );
}
