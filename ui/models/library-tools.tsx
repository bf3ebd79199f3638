'use client';
import { type ReactNode, useState } from 'react';
import { useTranslations } from '#translations';
import type { Imported } from '@/service/library/view';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { Notice } from '../kit/notice';

const MOST_SHOWN = 20;

function Lines({ title, rows, counts }: { title: string; rows: Imported['refused']; counts: Imported['counts'] }) {
  const t = useTranslations('models');
  if (rows.length === 0) return null;
  return (
    <>
      <p className="font-semibold mt-1">{title}</p>
      <ul className="text-sm max-h-44 overflow-auto">
        {rows.slice(0, MOST_SHOWN).map(({ at, sentence }) => (
          <li key={`${at} ${sentence}`}>
            <span className="font-medium">
              {counts} {at}:
            </span>{' '}
            {sentence}
          </li>
        ))}
        {rows.length > MOST_SHOWN && <li>{t('file.more', { MOST_SHOWN: rows.length - MOST_SHOWN })}</li>}
      </ul>
    </>
  );
}

const modelsText = (t: StaffWords<'models'>, count: number): string => t('file.models', { count });

interface LibraryToolsProps {
  count: number;
  find: string;
  mayWrite: boolean;
  /** how a model is made by hand */
  add: ReactNode;
}

/** The library's heading: how many models, the way out as a file and the way in. */
export function LibraryTools({ count, find, mayWrite, add }: LibraryToolsProps) {
  const t = useTranslations('models');
  const { busy, sentence, save } = useSave();
  const [told, setTold] = useState<Imported | null>(null);
  const [waiting, setWaiting] = useState<{ file: File; would: Imported } | null>(null);
  const look = async (file: File) => {
    setTold(null);
    setWaiting(null);
    const result = await save<Imported>('POST', '/api/models/preview', file);
    if (result.ok) setWaiting({ file, would: result.value });
  };
  const take = async (file: File) => {
    const result = await save<Imported>('POST', '/api/models/import', file);
    if (!result.ok) return;
    setWaiting(null);
    setTold(result.value);
  };
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-xl">
          {t.rich('heading', { e0: () => <span className="font-normal text-ink-2 text-base">{count}</span> })}
        </h1>
        <search className="flex-1 min-w-56">
          <form className="flex gap-2" action="/models">
            <input
              name="find"
              aria-label={t('find.label')}
              placeholder={t('find.hint')}
              defaultValue={find}
              maxLength={300}
              className={INPUT_LOOK}
            />
            <Button type="submit">{t('find.action')}</Button>
          </form>
        </search>
        <a className={buttonLook('quiet')} href="/api/models/export/csv" download>
          {t('file.csv')}
        </a>
        <a className={buttonLook('quiet')} href="/api/models/export/json" download>
          {t('file.json')}
        </a>
        {mayWrite && (
          <FileButton fileLabel={t('file.label')} disabled={busy} onFiles={([file]) => void look(file)}>
            {busy ? t('file.reading') : t('file.import')}
          </FileButton>
        )}
        {add}
      </div>
      <Fault sentence={sentence} />
      {waiting !== null && (
        <WouldChange
          name={waiting.file.name}
          would={waiting.would}
          busy={busy}
          onTake={() => void take(waiting.file)}
          onLeave={() => setWaiting(null)}
        />
      )}
      {told !== null && <WasImported told={told} />}
    </div>
  );
}

interface WouldChangeProps {
  name: string;
  would: Imported;
  busy: boolean;
  onTake: () => void;
  onLeave: () => void;
}

/** What a file would change, before it does. */
function WouldChange({ name, would, busy, onTake, onLeave }: WouldChangeProps) {
  const t = useTranslations('models');
  return (
    <section
      aria-label={t('file.preview')}
      className="bg-sheet border-2 border-edge rounded-notch px-4 py-3 grid gap-2"
    >
      <p className="font-semibold">
        {t('file.would', { name, added: modelsText(t, would.added), merged: would.merged, same: would.same })}
      </p>
      {would.named.length > 0 && (
        <p className="text-sm max-h-32 overflow-auto">
          {would.named
            .slice(0, 100)
            .map(({ name, fate }) => (fate === 'added' ? t('file.isNew', { name }) : t('file.extended', { name })))
            .join(' · ')}
          {would.named.length > 100 && t('file.andMore', { named: would.named.length - 100 })}
        </p>
      )}
      <Lines title={t('file.wouldNot')} rows={would.refused} counts={would.counts} />
      <Lines title={t('file.wouldStay')} rows={would.left} counts={would.counts} />
      <div className="flex gap-2">
        <Button weight="act" disabled={busy || would.added + would.merged === 0} onClick={onTake}>
          {t('file.importAction')}
        </Button>
        <Button onClick={onLeave}>{t('cancel')}</Button>
      </div>
    </section>
  );
}

/** What came of a file. */
function WasImported({ told }: { told: Imported }) {
  const t = useTranslations('models');
  return (
    <Notice tone={told.refused.length + told.left.length === 0 ? 'good' : 'mind'} live>
      <p>
        {t('file.done', {
          added: modelsText(t, told.added),
          merged: told.merged,
          same: told.same,
          refused: told.refused.length > 0 ? t('file.refused', { refused: told.refused.length }) : '',
        })}
      </p>
      <Lines title={t('file.notTaken')} rows={told.refused} counts={told.counts} />
      <Lines title={t('file.left')} rows={told.left} counts={told.counts} />
    </Notice>
  );
}
