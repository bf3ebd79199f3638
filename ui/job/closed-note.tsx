'use client';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { dayText } from '../words/amounts';
import { CLOSING_TEXTS } from './closing-words';
import { useJob } from './job-context';

/** Says of a closed job how it ended, and reopens it. */
export function ClosedNote() {
  const t = useTranslations('job');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  if (job.closed === null) return null;
  const { as, why, on } = job.closed;
  return (
    <div className="mb-3">
      <Notice tone="mind">
        {t.rich('closed.text', {
          on: dayText(on),
          value: as !== null ? `: ${t(CLOSING_TEXTS[as])}` : '',
          value2: why !== '' ? ` (${why})` : '',
          e0: () => (
            <Button weight="quiet" disabled={busy} onClick={() => void save('DELETE', `/api/jobs/${job.id}/closed`)}>
              {t('closed.reopen')}
            </Button>
          ),
          value3: sentence !== null ? ` ${sentence}` : '',
        })}
      </Notice>
    </div>
  );
}
