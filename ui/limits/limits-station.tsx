'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Ask } from '../job/ask';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';
import { capacityText } from '../words/amounts';
import { CeilingRuler } from './ceiling-ruler';
import { ConflictList } from './conflict-list';
import { CpuQuestion } from './cpu-choice';
import { LimitEditor } from './limit-editor';
import type { LimitRow } from './limit-words';
import { LimitsGrid } from './limits-grid';
import { moduleRuler, totalRuler } from './ruler-rows';
import { SlotRows } from './slot-rows';
import { EvidencePanel } from './trials/evidence-panel';

/** What was taken as usual because nobody said, so that somebody can object. */
function Assumptions() {
  const t = useTranslations('limits');
  const { job } = useJob();
  if (job.assumed.length === 0) return null;
  const words = {
    generation: 'generation',
    form: 'form',
    buffering: 'buffering',
    ecc: 'ECC',
    voltagesMv: 'voltage',
    rateMTs: 'rate',
  };
  return (
    <Notice tone="mind">
      <span className="text-sm">
        {t('assumed', {
          value: job.assumed
            .map(({ slot, fields }) => `${slot}: ${fields.map((field) => words[field]).join(', ')}`)
            .join(' · '),
        })}
      </span>
    </Notice>
  );
}

/** Limits: how far the machine goes and by whose word, what cannot all be true, and every word on every limit. */
export function LimitsStation() {
  const t = useTranslations('limits');
  const { job } = useJob();
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const [editing, setEditing] = useState<LimitRow | null>(null);
  const sockets = job.slots.filter((slot) => !slot.soldered);
  const channels = new Set(job.slots.map((slot) => slot.channel)).size;
  const inferred = job.slots.some((slot) => slot.placeSource === 'inferred');

  const agree = async () => {
    const result = await save('PUT', `/api/jobs/${job.id}/limits/agreed`, { agreed: true });
    if (result.ok) router.push(`/jobs/${job.id}/options`);
  };
  return (
    <div className="grid gap-3">
      <div className="flex items-end justify-between gap-4 flex-wrap">
        <div>
          <h1 className="text-lg">{t('heading')}</h1>
          <p className="text-ink-2 text-sm">
            {t('summary', {
              sockets: sockets.length,
              channels,
              slots:
                job.slots.length > sockets.length ? t('soldered', { slots: job.slots.length - sockets.length }) : '',
              value2: inferred ? t('inferred') : '',
              value3: job.slots.some((slot) => slot.maxMiB !== null)
                ? t('bySlot', {
                    value: job.slots
                      .flatMap((slot) => (slot.maxMiB === null ? [] : [`${slot.name} ${capacityText(slot.maxMiB)}`]))
                      .join(', '),
                  })
                : '',
            })}
          </p>
        </div>
        <div className="flex items-center gap-3">
          {job.hasCase && (
            <a href={`/api/jobs/${job.id}/case`} download className={buttonLook('quiet')}>
              {t('caseFile')}
            </a>
          )}
          {job.may.decideLimits ? (
            <Button weight="act" disabled={busy || job.gaps.length > 0} onClick={agree}>
              {job.limitsAgreed ? t('continue') : t('confirm')}
            </Button>
          ) : (
            <span className="text-sm text-ink-2">{t('technicianOnly')}</span>
          )}
        </div>
      </div>
      <Ask />
      <Fault sentence={sentence} />
      {job.readingWarnings.map((warning) => (
        <p key={warning} className="text-sm text-mind">
          △ {warning}
        </p>
      ))}
      <CpuQuestion />
      {job.slots.length > 0 && (
        <div className="grid gap-3 lg:grid-cols-2">
          <CeilingRuler title={t('wholeMachine')} ruler={totalRuler(t, job.limits, job.claims, job.slots)} />
          <CeilingRuler title={t('oneModule')} ruler={moduleRuler(t, job.limits, job.claims, job.slots)} />
        </div>
      )}
      <ConflictList />
      <LimitsGrid claims={job.claims} onPick={job.may.decideLimits ? setEditing : null} />
      <EvidencePanel
        trials={job.trials}
        model={job.machine.modelId === null ? null : { id: job.machine.modelId, name: job.machine.modelName ?? '' }}
        start={{
          generation: job.limits.generations?.value[0] ?? 'DDR4',
          slots: sockets.map(({ name }) => name),
          cpu: job.cpu.chosen?.name ?? job.cpu.told,
        }}
        mayWrite={job.may.writeLibrary}
        onDrop={(id) => void save('DELETE', `/api/models/${job.machine.modelId}/trials`, { id })}
      />
      <SlotRows />
      <Assumptions />
      {editing !== null && <LimitEditor row={editing} onClose={() => setEditing(null)} />}
    </div>
  );
}
