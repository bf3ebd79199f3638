'use client';
import { useTranslations } from '#translations';
import { useSave } from '../../client/use-save';
import { useJob } from '../../job/job-context';
import { Choice } from '../../kit/choice';

/** What is asked before anything is suggested, where nothing is known that says how much is needed: what it is for. */
export function UseQuestion() {
  const t = useTranslations('options');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  return (
    <Choice
      label={t('suggested.use')}
      className="flex items-center gap-2 [&>label]:mb-0 [&>label]:whitespace-nowrap"
      disabled={busy}
      error={sentence}
      value=""
      options={[
        { value: '', text: t('suggested.notKnown') },
        ...job.needs.uses.map(({ use, text = use }) => ({ value: use, text })),
      ]}
      onChange={({ target }) =>
        void save('PATCH', `/api/jobs/${job.id}/intake`, {
          set: { uses: [target.value] },
          seen: { uses: job.wants.uses },
        })
      }
    />
  );
}
