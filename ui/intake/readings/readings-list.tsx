'use client';
import { useTranslations } from '#translations';
import type { ReadingRow } from '@/service/job/intake/view';
import { useSave } from '../../client/use-save';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { Fault } from '../../kit/fault';
import { Notice } from '../../kit/notice';
import { Apart } from './apart';
import { MachineFacts } from './machine-facts';
import { SpecificationCard } from './specification-card';

/** A warning is one line; more than a few of one kind of damage say no more than the first. */
const MOST_WARNINGS = 4;

interface ReadingProps {
  row: ReadingRow;
  /** the job has several machines */
  isSeveral: boolean;
  busy: boolean;
  onAside: (aside: boolean) => void;
}

function Reading({ row, isSeveral, busy, onAside }: ReadingProps) {
  const t = useTranslations('intake');
  const shown = row.warnings.slice(0, MOST_WARNINGS);
  const more = row.warnings.length - shown.length;
  const note = row.setAside ? t('readings.ignored') : row.apart;
  return (
    <li className="flex items-baseline gap-3 py-1.5">
      <div className={`flex-1 min-w-0 ${row.setAside ? 'text-ink-2' : ''}`}>
        <p>
          <span className={row.setAside ? 'line-through' : 'font-medium'}>{row.line}</span>{' '}
          <span className="text-sm text-ink-2 break-all">
            ({isSeveral ? t('several.reportOf', { machine: row.machine, name: row.name }) : row.name})
          </span>
        </p>
        {note !== null && <p className="text-sm text-mind">△ {note}</p>}
        {!row.setAside &&
          shown.map((warning) => (
            <p key={warning} className="text-sm text-ink-2">
              {warning}
            </p>
          ))}
        {!row.setAside && more > 0 && <p className="text-sm text-ink-2">{t('readings.more', { more })}</p>}
        {!row.setAside && row.specification !== null && (
          <SpecificationCard reading={row.id} specification={row.specification} />
        )}
      </div>
      <Button
        weight="quiet"
        disabled={busy}
        onClick={() => onAside(!row.setAside)}
        aria-label={`${row.setAside ? t('readings.useAgain') : t('readings.ignore')}: ${row.name}`}
      >
        {row.setAside ? t('readings.useAgain') : t('readings.ignore')}
      </Button>
    </li>
  );
}

/** Everything that was read into this job, a line each; one that does not belong can be ignored, and used again. */
export function ReadingsList() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  if (job.readings.length === 0) return null;
  return (
    <section aria-label={t('readings.label')} className="border-l-4 border-line pl-3">
      <ul className="divide-y divide-line">
        {job.readings.map((row) => (
          <Reading
            key={row.id}
            row={row}
            isSeveral={job.machine.count > 1}
            busy={busy}
            onAside={(aside) => void save('PATCH', `/api/jobs/${job.id}/reading`, { id: row.id, aside })}
          />
        ))}
      </ul>
      {job.readingsOfOthers > 0 && (
        <Notice tone="mind">
          {t('several.others', { count: job.readingsOfOthers })}{' '}
          <Button disabled={busy} onClick={() => void save('POST', `/api/jobs/${job.id}/machines`)}>
            {t('several.takeOthers')}
          </Button>
        </Notice>
      )}
      <MachineFacts facts={job.machineFacts} />
      {job.readingWarnings.map((warning) => (
        <p key={warning} className="text-sm text-mind">
          △ {warning}
        </p>
      ))}
      {job.modelQuestion !== null && (
        <div className="my-2 border-2 border-act bg-sheet rounded-notch px-3 py-2">
          <Apart
            question={job.modelQuestion}
            busy={busy}
            onPick={(modelId) => void save('PUT', `/api/jobs/${job.id}/model`, { modelId })}
          />
        </div>
      )}
      <Fault sentence={sentence} />
    </section>
  );
}
