'use client';
import { dayText } from '@/core/day-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { CLOSING_TEXTS } from './closing-words';
import { useJob } from './job-context';

/** Says of a closed job how it ended, and reopens it. */
export function ClosedNote() {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  if (job.closed === null) return null;
  const { as, why, on } = job.closed;
  return (
    <div className="mb-3">
      <Notice tone="mind">
        Closed on {dayText(on)}
        {as !== null && `: ${CLOSING_TEXTS[as]}`}
        {why !== '' && ` (${why})`}.{' '}
        <Button weight="quiet" disabled={busy} onClick={() => void save('DELETE', `/api/jobs/${job.id}/closed`)}>
          Reopen
        </Button>
        {sentence !== null && ` ${sentence}`}
      </Notice>
    </div>
  );
}
