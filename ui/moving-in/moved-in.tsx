'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { MovedKind } from '@/core/moving-in/columns';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';
import { MOVED_KIND_TEXTS, rowsText } from './moving-words';

interface Moved {
  id: number;
  kind: MovedKind;
  name: string;
  taken: number;
  by: string;
  /** as it is shown */
  on: string;
  undone: boolean;
}

/** Files that were moved in, each of which can be undone whole. */
export function MovedInList({ files }: { files: readonly Moved[] }) {
  const t = useTranslations('moving');
  const { busy, sentence, save } = useSave();
  const [told, setTold] = useState<string | null>(null);
  const undo = async (id: number) => {
    setTold(null);
    const result = await save<{ sentence: string }>('DELETE', `/api/moving-in/${id}`);
    if (result.ok) setTold(result.value.sentence);
  };
  if (files.length === 0) return null;
  return (
    <section aria-label={t('done')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('done')}</h2>
      <Fault sentence={sentence} />
      {told !== null && (
        <Notice tone="good" live>
          {told}
        </Notice>
      )}
      <ul className="bg-sheet border border-line divide-y divide-line">
        {files.map(({ id, kind, name, taken, by, on, undone }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-4 px-4 py-2 text-sm">
            <span className="font-semibold">{name}</span>
            <span className="flex-1">
              {t('line', { kind: t(MOVED_KIND_TEXTS[kind].title), taken: rowsText(t, taken), by, on })}
            </span>
            {undone ? (
              <span className="text-ink-2">{t('undone')}</span>
            ) : (
              <Button disabled={busy} aria-label={t('undoOne', { name })} onClick={() => void undo(id)}>
                {t('undo')}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
