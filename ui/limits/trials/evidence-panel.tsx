'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { isProof, recordsBySize, type SizeRecord, type Trial } from '@/core/machine/limits/evidence';
import type { StaffWords } from '@/words/staff-words';
import { Button } from '../../kit/button';
import { capacityText, dayText } from '../../words/amounts';
import { TrialEditor } from './trial-editor';
import { DEPTH_WORDS, OUTCOME_SIGNS, OUTCOME_WORDS, trialText } from './trial-words';

/** `2 worked, 1 failed to start`: as it was seen, never as a share. */
function countsText(t: StaffWords<'limits'>, { worked, failed, faulty }: SizeRecord): string {
  return [
    worked > 0 ? t('tests.worked', { worked }) : '',
    failed > 0 ? t('tests.failed', { failed }) : '',
    faulty > 0 ? t('tests.faulty', { faulty }) : '',
  ]
    .filter((part) => part !== '')
    .join(', ');
}

function TrialLine({ trial, onDrop }: { trial: Trial; onDrop: (() => void) | null }) {
  const t = useTranslations('limits');
  const { sign, look } = OUTCOME_SIGNS[trial.outcome];
  return (
    <li className="flex items-baseline gap-2 text-sm">
      <span aria-hidden="true" className={`${look} font-bold w-4 shrink-0`}>
        {sign}
      </span>
      <span className="flex-1 min-w-0">
        <span className="font-medium">{trialText(t, trial)}</span> {t(OUTCOME_WORDS[trial.outcome])}
        {trial.outcome !== 'fails-to-start' && `, ${t(DEPTH_WORDS[trial.depth])}`}
        <span className="text-ink-2">
          {trial.firmware !== '' && t('tests.firmware', { firmware: trial.firmware })}
          {trial.cpu !== '' && ` · ${trial.cpu}`}
          {trial.slots.length > 0 && t('tests.in', { value: trial.slots.join(' ') })} · {dayText(trial.on)}
          {trial.by !== null && ` · ${trial.by}`}
          {trial.note !== '' && ` · “${trial.note}”`}
          {trial.sister !== null &&
            t('tests.sister', {
              model: trial.model,
              value: trial.sister === 'board' ? t('tests.board') : t('tests.cpuOnly'),
            })}
          {trial.outcome === 'works' && !isProof(trial) && t('tests.shallow')}
        </span>
      </span>
      {onDrop !== null && (
        <Button
          weight="quiet"
          onClick={onDrop}
          aria-label={t('tests.deleteOne', { trial: trialText(t, trial), on: dayText(trial.on) })}
        >
          {t('tests.delete')}
        </Button>
      )}
    </li>
  );
}

interface EvidencePanelProps {
  trials: readonly Trial[];
  model: { id: number; name: string } | null;
  /** what a new trial likely begins with */
  start: { generation: string; slots: readonly string[]; cpu: string };
  mayWrite: boolean;
  onDrop: (trialId: number) => void;
}

/** What was tried in this model and its sisters, size by size. */
export function EvidencePanel({ trials, model, start, mayWrite, onDrop }: EvidencePanelProps) {
  const t = useTranslations('limits');
  const [adding, setAdding] = useState(false);
  const records = recordsBySize(trials);
  return (
    <section aria-label={t('tests.evidence')} className="bg-sheet border border-line px-3 py-2">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-base">{t('tests.title')}</h2>
        {model !== null && mayWrite && (
          <Button weight="quiet" onClick={() => setAdding(true)}>
            {t('tests.record')}
          </Button>
        )}
      </div>
      {trials.length === 0 && (
        <p className="text-sm text-ink-2">
          {model === null ? t('tests.needModel') : t('tests.none', { name: model.name })}
        </p>
      )}
      <ul className="divide-y divide-line">
        {records.map((record) => (
          <li key={record.moduleMiB} className="py-1.5">
            <p>
              <span className="font-semibold">{t('tests.modules', { moduleMiB: capacityText(record.moduleMiB) })}</span>{' '}
              {countsText(t, record)}
              {record.largestTotalMiB !== null && (
                <span className="text-ink-2 text-sm">
                  {t('tests.upTo', { largestTotalMiB: capacityText(record.largestTotalMiB) })}
                </span>
              )}
            </p>
            <ul className="grid gap-0.5 mt-0.5">
              {trials
                .filter(({ moduleMiB }) => moduleMiB === record.moduleMiB)
                .map((trial) => (
                  <TrialLine
                    key={trial.id}
                    trial={trial}
                    onDrop={mayWrite && trial.sister === null ? () => onDrop(trial.id) : null}
                  />
                ))}
            </ul>
          </li>
        ))}
      </ul>
      {adding && model !== null && <TrialEditor model={model} start={start} onClose={() => setAdding(false)} />}
    </section>
  );
}
