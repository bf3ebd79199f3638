'use client';
import Link from 'next/link';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';

/** What a kind of task does, as its row is headed. */
const KIND_WORDS: Record<string, string> = {
  'ask-due-feeds': 'See which feeds are due',
  'ask-feed': 'Ask a seller’s feed',
  'send-mail': 'Send mail',
  'remind-customers': 'Remind customers',
  'read-list': 'Read a price list',
  'work-on-list': 'Apply or undo a price list',
  'take-from-folder': 'Take price lists from the folder',
  'count-for-today': 'Count prices for the day',
};
const wordsOf = (kind: string): string => KIND_WORDS[kind] ?? kind;

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
  const { busy, sentence, save } = useSave();
  const end = (act: 'retry' | 'discard') => save('POST', `/api/tasks/${task.id}`, { act });
  return (
    <li className="grid gap-1 border-l-4 border-mind pl-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong>{wordsOf(task.kind)}</strong>
        {OF_LISTS.has(task.kind) && task.about !== null && (
          <Link href={`/offers/lists/${task.about}`} className="underline underline-offset-4">
            the list
          </Link>
        )}
        <span className="text-sm text-ink-2">
          {task.ago}, tried {task.attempts === 1 ? 'once' : `${task.attempts} times`}
        </span>
      </p>
      <p className="text-sm break-words">{task.cause}</p>
      <div className="flex gap-2">
        <Button disabled={busy} onClick={() => void end('retry')} aria-label={`Retry: ${wordsOf(task.kind)}`}>
          Retry
        </Button>
        <Button
          weight="quiet"
          disabled={busy}
          onClick={() => void end('discard')}
          aria-label={`Discard: ${wordsOf(task.kind)}`}
        >
          Discard
        </Button>
      </div>
      <Fault sentence={sentence} />
    </li>
  );
}

/** How the work beside requests does: what failed, with its cause, to be tried again or discarded. */
export function BackgroundWork({ waiting, running, failed, failedCount, runs }: BackgroundWorkProps) {
  const more = failedCount - failed.length;
  return (
    <section aria-label="Background work" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Background work</h2>
      {failed.length === 0 ? (
        <Notice tone="good">
          Nothing has failed.{waiting + running > 0 ? ` ${waiting} waiting, ${running} being done.` : ''}
        </Notice>
      ) : (
        <ul className="grid gap-3">
          {failed.map((task) => (
            <Failed key={task.id} task={task} />
          ))}
        </ul>
      )}
      {more > 0 && <p className="text-sm">{more} more failed: decide on these first.</p>}
      <details>
        <summary className="text-sm cursor-pointer">When each kind last ran</summary>
        <table className="text-sm mt-2">
          <thead>
            <tr className="text-left">
              <th className="pr-6 font-normal text-ink-2">Kind</th>
              <th className="pr-6 font-normal text-ink-2">Done</th>
              <th className="font-normal text-ink-2">Failed</th>
            </tr>
          </thead>
          <tbody>
            {runs.map(({ kind, succeeded, failed: broke }) => (
              <tr key={kind}>
                <th scope="row" className="pr-6 text-left font-normal">
                  {wordsOf(kind)}
                </th>
                <td className="pr-6">{succeeded ?? 'not yet'}</td>
                <td>{broke ?? 'never'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
