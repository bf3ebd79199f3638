'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { questionFor, sameAs } from '@/core/machine/gap-words';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { decidedOf } from '../limits/decided-of';
import { useJob } from './job-context';

/** What is still not known, one question at a time, with the likely answers ready. */
export function Ask() {
  const t = useTranslations('job');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const [gap] = job.gaps;
  if (gap === undefined || gap.what === 'slots') return null;
  const { text, answer } = questionFor(gap, job.slots, job.limits, job.shown);

  const tell = async (value: unknown) => {
    setWrong(null);
    if (answer.to === 'limit') {
      await save('PUT', `/api/jobs/${job.id}/limits`, {
        decisions: [{ limit: answer.limit, value, seen: decidedOf(job.claims, answer.limit) }],
      });
    }
    if (answer.to === 'slot') {
      const same = sameAs(answer.slot, job.slots).map(({ name }) => name);
      const slots = job.slots.map((slot) =>
        same.includes(slot.name) && slot.module !== null
          ? { ...slot, module: { ...slot.module, [answer.field]: value }, moduleSource: 'typed' }
          : slot,
      );
      await save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
    }
    setTyped('');
  };
  const submit = () => {
    if (answer.to !== 'slot') return;
    const value =
      answer.field === 'capacityMiB' ? parseCapacity(typed) : /^\d{2,5}$/.test(typed.trim()) ? Number(typed) : null;
    if (value === null) setWrong(answer.field === 'capacityMiB' ? t('ask.size') : t('ask.rate'));
    else void tell(value);
  };
  return (
    <section aria-label={t('ask.label')} className="border-2 border-act bg-sheet px-4 py-3 rounded-notch">
      <p className="font-semibold mb-2">
        {text}{' '}
        {job.gaps.length > 1 && (
          <span className="font-normal text-ink-2">{t('ask.more', { gaps: job.gaps.length - 1 })}</span>
        )}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        {answer.to !== 'board' &&
          answer.likely.map((one) => (
            <Button key={one.text} disabled={busy} onClick={() => tell(one.value)}>
              {one.text}
            </Button>
          ))}
        {answer.to === 'slot' && (
          <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              submit();
            }}
          >
            <Field
              label={t('ask.type')}
              className="w-32"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              error={wrong}
            />
            <Button type="submit" disabled={busy || typed.trim() === ''}>
              {t('ask.answer')}
            </Button>
          </form>
        )}
      </div>
      {sentence !== null && (
        <p role="alert" className="text-stop mt-2">
          {sentence}
        </p>
      )}
    </section>
  );
}
