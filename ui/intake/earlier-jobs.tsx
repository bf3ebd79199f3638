'use client';
import Link from 'next/link';
import { capacityText } from '@/core/memory/capacity';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { BY_WORDS } from './earlier-words';

/** Jobs of before of this customer or machine, each to look at, and to go on from while this one is still blank. */
export function EarlierJobs() {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  if (job.earlier.length === 0) return null;
  const take = (from: number, what: 'customer' | 'machine') =>
    save('POST', `/api/jobs/${job.id}/earlier`, { from, what });
  return (
    <section aria-label="Here before" className="border-l-4 border-good bg-sheet px-3 py-2">
      <ul className="grid gap-1">
        {job.earlier.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
            <span className="flex-1 min-w-64">
              <Link href={`/jobs/${one.id}`} className="font-semibold underline underline-offset-2">
                Job {one.id}
              </Link>{' '}
              of {one.on}: {one.customer || 'no name'}
              {one.machine !== '' && `, ${one.machine}`}
              {one.totalMiB > 0 && ` with ${capacityText(one.totalMiB)}`}
              {one.quoteNumber !== null && `, quote ${one.quoteNumber}`}{' '}
              <span className="text-ink-2">({BY_WORDS[one.by]})</span>
            </span>
            {one.by !== 'customer' && (
              <Button
                disabled={busy}
                onClick={() => take(one.id, 'customer')}
                aria-label={`Same customer as job ${one.id}`}
              >
                Same customer
              </Button>
            )}
            {job.slots.length === 0 && one.machine !== '' && (
              <Button
                disabled={busy}
                onClick={() => take(one.id, 'machine')}
                aria-label={`And the same machine as job ${one.id}`}
              >
                And the same machine
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Fault sentence={sentence} />
    </section>
  );
}
