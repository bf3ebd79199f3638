'use client';
import { useTranslations } from '#translations';
import { ClashChoice } from '../../intake/clash-choice';
import { usePut } from '../../intake/use-put';
import { useJob } from '../../job/job-context';
import { Choice } from '../../kit/choice';

/** Whether the shop fits what it sells, or the customer takes the parts home: all prices follow. */
export function FittingChoice() {
  const t = useTranslations('options');
  const { job } = useJob();
  const putting = usePut();
  return (
    <div>
      <Choice
        label={t('steer.fitting')}
        className="w-fit"
        disabled={putting.busy}
        error={putting.sentence}
        value={job.partsOnly ? 'parts' : 'fitted'}
        options={[
          { value: 'fitted', text: t('steer.fitted') },
          { value: 'parts', text: t('steer.partsOnly') },
        ]}
        onChange={({ target }) => void putting.put({ partsOnly: target.value === 'parts' })}
      />
      <ClashChoice putting={putting} text={(partsOnly) => (partsOnly ? t('steer.partsOnly') : t('steer.fitted'))} />
    </div>
  );
}
