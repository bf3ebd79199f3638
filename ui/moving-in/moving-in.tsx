'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { MOVED_KINDS, MOVED_ROLES, type MovedColumns, type MovedKind } from '@/core/moving-in/columns';
import type { MovingLook } from '@/service/library/view';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { Notice } from '../kit/notice';
import { SampleRows } from '../kit/sample-rows';
import { MOVED_KIND_TEXTS, MOVED_ROLE_TEXTS, rowsText } from './moving-words';

interface LeftOut {
  line: number;
  sentence: string;
}

interface Opened {
  kind: MovedKind;
  file: File;
  look: MovingLook;
}

/** A file with how it is read, as the server takes it. */
function formOf({ kind, file }: Pick<Opened, 'kind' | 'file'>, columns: MovedColumns | null): FormData {
  const form = new FormData();
  form.set('kind', kind);
  if (columns !== null) form.set('columns', JSON.stringify(columns));
  form.set('file', file);
  return form;
}

function LeftOutRows({ title, rows, count }: { title: string; rows: LeftOut[]; count: number }) {
  const t = useTranslations('moving');
  if (count === 0) return null;
  return (
    <details className="text-sm">
      <summary className="cursor-pointer py-1 font-semibold">
        {title}: {rowsText(t, count)}
      </summary>
      <ul className="max-h-44 overflow-auto pl-4">
        {rows.map(({ line, sentence }) => (
          <li key={line}>{t('row', { line, sentence })}</li>
        ))}
        {count > rows.length && <li>{t('more', { rows: rowsText(t, count - rows.length) })}</li>}
      </ul>
    </details>
  );
}

/** The first rows under a choice of what each column is. */
function MovedTable({ opened, busy, put }: { opened: Opened; busy: boolean; put: (columns: MovedColumns) => void }) {
  const t = useTranslations('moving');
  const { kind, look } = opened;
  const roles = MOVED_ROLES[kind];
  const choose = (column: number, role: string) => {
    const others = Object.entries(look.columns).filter(([name, at]) => name !== role && at !== column);
    put(Object.fromEntries(role === '' ? others : [...others, [role, column]]));
  };
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable by keyboard
    <section aria-label={t('columns')} className="overflow-x-auto bg-sheet border border-line" tabIndex={0}>
      <table className="w-full text-sm border-collapse">
        <thead>
          <tr>
            {look.headings.map((heading, column) => {
              const role = roles.find((one) => look.columns[one] === column);
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                <td key={column} className="px-1.5 py-1 border-l border-line first:border-0">
                  <select
                    aria-label={t('columnIs', { heading: heading === '' ? column + 1 : heading })}
                    className={`${INPUT_LOOK} px-1.5! min-w-32 ${role === undefined ? 'text-ink-2' : 'font-semibold'}`}
                    value={role ?? ''}
                    disabled={busy}
                    onChange={(event) => choose(column, event.target.value)}
                  >
                    <option value="">{t('notUsed')}</option>
                    {roles.map((one) => (
                      <option key={one} value={one}>
                        {t(MOVED_ROLE_TEXTS[one])}
                      </option>
                    ))}
                  </select>
                </td>
              );
            })}
          </tr>
          <tr className="border-b-2 border-edge text-left">
            {look.headings.map((heading, column) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
              <th key={column} className="px-2 py-1 border-l border-line first:border-0 whitespace-nowrap">
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <SampleRows rows={look.sample} columns={look.headings.length} />
      </table>
    </section>
  );
}

/** Chooses a file of a former program, shows what would become of it, and moves it in. */
export function MovingIn() {
  const t = useTranslations('moving');
  const { busy, sentence, save } = useSave();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const look = async (kind: MovedKind, file: File, columns: MovedColumns | null) => {
    setTold(null);
    const result = await save<MovingLook>('POST', '/api/moving-in/look', formOf({ kind, file }, columns));
    if (result.ok) setOpened({ kind, file, look: result.value });
    else if (columns === null) setOpened(null);
  };
  const take = async (what: Opened) => {
    const result = await save<{ taken: number }>('POST', '/api/moving-in', formOf(what, what.look.columns));
    if (!result.ok) return;
    setOpened(null);
    setTold(t('taken', { name: what.file.name, taken: rowsText(t, result.value.taken) }));
  };
  return (
    <div className="grid gap-4">
      <ul className="grid gap-px bg-line border border-line">
        {MOVED_KINDS.map((kind) => (
          <li key={kind} className="bg-sheet px-4 py-3 flex flex-wrap items-center gap-x-6 gap-y-2">
            <div className="flex-1 basis-80">
              <h2 className="text-base">{t(MOVED_KIND_TEXTS[kind].title)}</h2>
              <p className="text-sm text-ink-2">{t(MOVED_KIND_TEXTS[kind].about)}</p>
            </div>
            <FileButton
              fileLabel={t('fileOf', { title: t(MOVED_KIND_TEXTS[kind].title) })}
              aria-label={t('chooseFor', { title: t(MOVED_KIND_TEXTS[kind].title) })}
              disabled={busy}
              onFiles={([file]) => void look(kind, file, null)}
            >
              {t('choose')}
            </FileButton>
          </li>
        ))}
      </ul>
      <Fault sentence={sentence} />
      {told !== null && (
        <Notice tone="good" live>
          {told}
        </Notice>
      )}
      {opened !== null && (
        <section aria-label={t('preview', { name: opened.file.name })} className="grid gap-3 min-w-0">
          <h2 className="text-base border-b-4 border-edge pb-1">{opened.file.name}</h2>
          <p>
            {t.rich('would', {
              e0: () => <strong>{rowsText(t, opened.look.fresh)}</strong>,
              value: opened.look.rows,
              kind: t(MOVED_KIND_TEXTS[opened.kind].title),
            })}
          </p>
          <MovedTable opened={opened} busy={busy} put={(columns) => void look(opened.kind, opened.file, columns)} />
          <LeftOutRows title={t('known')} rows={opened.look.doubles} count={opened.look.doubleCount} />
          <LeftOutRows title={t('unreadable')} rows={opened.look.refused} count={opened.look.refusedCount} />
          <div className="flex gap-3">
            <Button weight="act" disabled={busy || opened.look.fresh === 0} onClick={() => void take(opened)}>
              {t('import', { fresh: rowsText(t, opened.look.fresh) })}
            </Button>
            <Button weight="quiet" disabled={busy} onClick={() => setOpened(null)}>
              {t('cancel')}
            </Button>
          </div>
        </section>
      )}
    </div>
  );
}
