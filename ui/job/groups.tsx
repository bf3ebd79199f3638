'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useTranslations } from '#translations';
import { capacityText } from '../words/amounts';
import { useJob } from './job-context';

/** The groups of equal machines that a job's machines fall into, each with its own board, limits and plans. */
export function Groups() {
  const t = useTranslations('job');
  const { job } = useJob();
  const station = usePathname().split('/').at(-1) ?? '';
  // A quote is of all of them.
  if (job.groups.length < 2 || station === 'quote') return null;
  return (
    <nav aria-label={t('groups.label')} className="mb-3">
      <ul className="flex flex-wrap gap-1.5">
        {job.groups.map(({ jobId, machines, totalMiB, modules }, nr) => {
          const isHere = jobId === job.id;
          return (
            <li key={jobId}>
              <Link
                href={`/jobs/${jobId}/${station}`}
                aria-current={isHere ? 'true' : undefined}
                className={`inline-flex items-center gap-2 min-h-9 px-3 rounded-notch border text-sm ${isHere ? 'bg-board text-board-ink border-board font-semibold' : 'bg-sheet border-edge hover:bg-sunk'}`}
              >
                {t('groups.one', { nr: nr + 1, machines })}
                <span className={isHere ? '' : 'text-ink-2'}>
                  {totalMiB > 0 && t('groups.each', { total: capacityText(totalMiB), modules })}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
