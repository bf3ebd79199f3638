'use client';
import dynamic from 'next/dynamic';
import { useTranslations } from '#translations';
import { usePut } from '../../intake/use-put';
import { useJob } from '../../job/job-context';
import { Choice } from '../../kit/choice';

// Two people seldom write the same: fetched when they do.
const ClashChoice = dynamic(() => import('../../intake/clash-choice').then((module) => module.ClashChoice), {
  ssr: false,
});

/** What is asked before anything is suggested, where nothing is known that says how much is needed: what it is for. */
export function UseQuestion() {
  const t = useTranslations('options');
  const { job } = useJob();
  const putting = usePut();
  return (
    <div>
      <Choice
        label={t('suggested.use')}
        className="flex items-center gap-2 [&>label]:mb-0 [&>label]:whitespace-nowrap"
        disabled={putting.busy}
        error={putting.sentence}
        value=""
        options={[
          { value: '', text: t('suggested.notKnown') },
          ...job.needs.uses.map(({ use, text = use }) => ({ value: use, text })),
        ]}
        onChange={({ target }) => void putting.put({ uses: [target.value] })}
      />
      {putting.clash !== null && <ClashChoice putting={putting} />}
    </div>
  );
}
