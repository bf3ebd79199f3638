'use client';
import { useTranslations } from '#translations';
import { useSave } from '../../client/use-save';
import { useJob } from '../../job/job-context';
import { Choice } from '../../kit/choice';

/** Whether the shop fits what it sells, or the customer takes the parts home: all prices follow. */
export function FittingChoice() {
  const t = useTranslations('options');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  return (
    <Choice
      label={t('steer.fitting')}
      className="w-fit"
      disabled={busy}
      error={sentence}
      value={job.partsOnly ? 'parts' : 'fitted'}
      options={[
        { value: 'fitted', text: t('steer.fitted') },
        { value: 'parts', text: t('steer.partsOnly') },
      ]}
      onChange={({ target }) =>
        void save('PATCH', `/api/jobs/${job.id}/intake`, {
          set: { partsOnly: target.value === 'parts' },
          seen: { partsOnly: job.partsOnly },
        })
      }
    />
  );
}
