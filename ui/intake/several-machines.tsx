'use client';
import { useRouter } from 'next/navigation';
import { useId } from 'react';
import { useTranslations } from '#translations';
import { CASE_LIMITS } from '@/core/planning/model/case-limits';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { ClashChoice } from './clash-choice';
import { useIntakeField } from './intake-fields';

const serialsText = (value: unknown): string => (Array.isArray(value) ? value.join('\n') : '');
const serialsOf = (text: string): string[] =>
  text
    .split(/[\n,;]+/)
    .map((one) => one.trim())
    .filter((one) => one !== '');

/** The serials of the second machine and on, one a line. */
function MoreSerials() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const id = useId();
  const others = job.machine.count - 1;
  const field = useIntakeField(
    'moreSerials',
    serialsText(job.machine.moreSerials),
    (text) => {
      const serials = serialsOf(text);
      if (serials.length <= others) return { ok: true, value: serials };
      return { ok: false, sentence: t('several.tooMany', { count: serials.length, others }) };
    },
    serialsText,
  );
  return (
    <div className="col-span-2">
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {t('several.serials')}
      </label>
      <textarea id={id} rows={Math.min(4, others)} {...field.input} className={INPUT_LOOK} />
      <Fault sentence={field.error} />
      <ClashChoice putting={field.putting} />
    </div>
  );
}

/** Machines of the job that differ from these: another group is added, or this one removed. */
function GroupsBar() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const isLead = job.leadId === job.id;
  if (job.machine.count < 2 && job.groups.length < 2) return null;
  const add = async () => {
    const added = await save<{ id: number }>('POST', `/api/jobs/${job.id}/groups`);
    if (added.ok) router.push(`/jobs/${added.value.id}/intake`);
  };
  const remove = async () => {
    const { ok } = await save('DELETE', `/api/jobs/${job.id}/groups`);
    if (ok) router.push(`/jobs/${job.leadId}/intake`);
  };
  return (
    <div className="col-span-2 flex flex-wrap gap-x-3 items-center text-sm">
      <span className="text-ink-2">{t('several.differ')}</span>
      <Button weight="quiet" disabled={busy} onClick={() => void add()}>
        {t('several.addGroup')}
      </Button>
      {!isLead && (
        <Button weight="quiet" disabled={busy} onClick={() => void remove()}>
          {t('several.removeGroup')}
        </Button>
      )}
      <Fault sentence={sentence} />
    </div>
  );
}

/** How many equal machines it is about: schools and offices bring them by the dozen. */
export function SeveralMachines() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { count, moreSerials } = job.machine;
  const field = useIntakeField('machines', String(count), (text) => {
    const value = /^\d{1,3}$/.test(text.trim()) ? Number(text) : 0;
    if (value >= 1 && value <= CASE_LIMITS.machines) return { ok: true, value };
    return { ok: false, sentence: t('several.fault', { most: CASE_LIMITS.machines }) };
  });
  return (
    <>
      <div>
        <Field
          label={t('several.count')}
          inputMode="numeric"
          {...field.input}
          error={field.error}
          {...(count > 1 && { hint: t('several.hint') })}
        />
        <ClashChoice putting={field.putting} />
      </div>
      <GroupsBar />
      {count > 1 && <MoreSerials key={`${count} ${moreSerials.join(' ')}`} />}
    </>
  );
}
