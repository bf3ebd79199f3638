'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';

/** What a kind of task does, as its row is headed. */
const KIND_WORDS = {
  'ask-due-feeds': 'tasks.kinds.feeds',
  'ask-feed': 'tasks.kinds.feed',
  'send-mail': 'tasks.kinds.mail',
  'remind-customers': 'tasks.kinds.remind',
  'read-list': 'tasks.kinds.list',
  'work-on-list': 'tasks.kinds.apply',
  'take-from-folder': 'tasks.kinds.folder',
  'count-for-today': 'tasks.kinds.count',
} as const;
const isKind = (kind: string): kind is keyof typeof KIND_WORDS => Object.hasOwn(KIND_WORDS, kind);
const wordsOf = (t: StaffWords<'settings'>, kind: string): string => (isKind(kind) ? t(KIND_WORDS[kind]) : kind);

/** Kinds whose tasks are about a price list. */
const OF_LISTS: ReadonlySet<string> = new Set(['read-list', 'work-on-list']);

export interface FailedRow {
  id: number;
  kind: string;
  about: number | null;
  attempts: number;
  cause: string;
  ago: string;
}

export interface BackgroundWorkProps {
  waiting: number;
  running: number;
  failed: FailedRow[];
  failedCount: number;
  /** when each kind last went well and last failed, in words; null: never */
  runs: { kind: string; succeeded: string | null; failed: string | null }[];
}

function Failed({ task }: { task: FailedRow }) {
  const t = useTranslations('settings');
  const { busy, sentence, save } = useSave();
  const end = (act: 'retry' | 'discard') => save('POST', `/api/tasks/${task.id}`, { act });
  return (
    <li className="grid gap-1 border-l-4 border-mind pl-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong>{wordsOf(t, task.kind)}</strong>
        {OF_LISTS.has(task.kind) && task.about !== null && (
          <Link href={`/offers/lists/${task.about}`} className="underline underline-offset-4">
            {t('tasks.list')}
          </Link>
        )}
        <span className="text-sm text-ink-2">
          {t('tasks.tried', {
            ago: task.ago,
            value: t('tasks.times', { attempts: task.attempts }),
          })}
        </span>
      </p>
      <p className="text-sm break-words">{task.cause}</p>
      <div className="flex gap-2">
        <Button
          disabled={busy}
          onClick={() => void end('retry')}
          aria-label={t('tasks.retryOne', { kind: wordsOf(t, task.kind) })}
        >
          {t('tasks.retry')}
        </Button>
        <Button
          weight="quiet"
          disabled={busy}
          onClick={() => void end('discard')}
          aria-label={t('tasks.discardOne', { kind: wordsOf(t, task.kind) })}
        >
          {t('tasks.discard')}
        </Button>
      </div>
      <Fault sentence={sentence} />
    </li>
  );
}

/** How the work beside requests does: what failed, with its cause, to be tried again or discarded. */
export function BackgroundWork({ waiting, running, failed, failedCount, runs }: BackgroundWorkProps) {
  const t = useTranslations('settings');
  const more = failedCount - failed.length;
  return (
    <section id="background" aria-label={t('tasks.title')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('tasks.title')}</h2>
      {failed.length === 0 ? (
        <Notice tone="good">
          {t('tasks.fine', { value: waiting + running > 0 ? t('tasks.waiting', { waiting, running }) : '' })}
        </Notice>
      ) : (
        <ul className="grid gap-3">
          {failed.map((task) => (
            <Failed key={task.id} task={task} />
          ))}
        </ul>
      )}
      {more > 0 && <p className="text-sm">{t('tasks.more', { more })}</p>}
      <details>
        <summary className="text-sm cursor-pointer">{t('tasks.table')}</summary>
        <table className="text-sm mt-2">
          <thead>
            <tr className="text-left">
              <th className="pr-6 font-normal text-ink-2">{t('tasks.kind')}</th>
              <th className="pr-6 font-normal text-ink-2">{t('tasks.done')}</th>
              <th className="font-normal text-ink-2">{t('tasks.failed')}</th>
            </tr>
          </thead>
          <tbody>
            {runs.map(({ kind, succeeded, failed: broke }) => (
              <tr key={kind}>
                <th scope="row" className="pr-6 text-left font-normal">
                  {wordsOf(t, kind)}
                </th>
                <td className="pr-6">{succeeded ?? t('tasks.notYet')}</td>
                <td>{broke ?? t('tasks.never')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
