'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { callOnce } from '../../client/session-guard';
import { ProgressBar } from '../../kit/progress-bar';
import { type ShownListState, WORK_TEXTS } from './list-words';

export interface ListWorkProgress {
  what: keyof typeof WORK_TEXTS;
  done: number;
  whole: number;
}

const LOOK_MS = 700;

/** How far the work on a list is; the page is drawn again when it is done. */
export function ListProgress({
  listId,
  state,
  work,
}: {
  listId: number;
  state: ShownListState;
  work: ListWorkProgress | null;
}) {
  const t = useTranslations('offers');
  const router = useRouter();
  const [now, setNow] = useState(work);
  useEffect(() => {
    const timer = setInterval(async () => {
      const answer = await callOnce<{ state: ShownListState; work: ListWorkProgress | null }>(
        'GET',
        `/api/lists/${listId}`,
      );
      if (!answer.ok) return;
      setNow(answer.value.work);
      if (answer.value.work === null || answer.value.state !== state) router.refresh();
    }, LOOK_MS);
    return () => clearInterval(timer);
  }, [listId, state, router]);
  const { what, done, whole } = now ?? { what: 'reading' as const, done: 0, whole: 0 };
  const percent = whole === 0 ? null : Math.floor((done / whole) * 100);
  return (
    <div className="bg-sheet border border-line px-4 py-3 max-w-xl">
      <p className="font-medium">
        {t(WORK_TEXTS[what])}
        {percent === null ? '…' : `: ${percent} %`}
      </p>
      <ProgressBar label={t(WORK_TEXTS[what])} share={whole === 0 ? null : done / whole} />
      <p className="text-sm text-ink-2">{t('lists.goesOn')}</p>
    </div>
  );
}
