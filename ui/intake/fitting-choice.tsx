'use client';
import { useTranslations } from '#translations';
import { useJob } from '../job/job-context';
import { Choice } from '../kit/choice';
import { ClashChoice } from './clash-choice';
import { usePut } from './use-put';

/** Whether the shop fits what it sells, or the customer takes the parts home: all prices follow. */
export function FittingChoice({ className }: { className?: string }) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const putting = usePut();
  return (
    <div>
      <Choice
        label={t('fitting.label')}
        className={className}
        disabled={putting.busy}
        error={putting.sentence}
        value={job.partsOnly ? 'parts' : 'fitted'}
        options={[
          { value: 'fitted', text: t('fitting.here') },
          { value: 'parts', text: t('fitting.partsOnly') },
        ]}
        onChange={({ target }) => void putting.put({ partsOnly: target.value === 'parts' })}
      />
      <ClashChoice putting={putting} text={(partsOnly) => (partsOnly ? t('fitting.partsOnly') : t('fitting.here'))} />
    </div>
  );
}
