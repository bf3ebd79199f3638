import { useTranslations } from '#translations';
import type { Station } from '@/core/machine/station';
import { capacityText } from '@/core/memory/capacity';
import { StandingRow, type StandingsWord } from '../frame/standing-sign';

export interface CounterJob {
  id: number;
  customer: string;
  machine: string;
  complaint: string;
  totalMiB: number;
  needMiB: number | null;
  /** how its stations stand, a letter each */
  standings: StandingsWord;
  next: Station;
  /** what it waits for, in a few words */
  waitsFor: string;
  touched: string;
}

/** One job on the counter: who, what machine, how far, and what it waits for. */
export function JobRow({ job }: { job: CounterJob }) {
  const t = useTranslations('jobs');
  return (
    <li>
      <a href={`/jobs/${job.id}`} className="job-row">
        <b>{job.id}</b>
        <span>
          <b>{job.customer || t('noNameYet')}</b>
          <small>{job.complaint}</small>
        </span>
        <span>
          {job.machine || t('noMachineYet')}
          <small>
            {job.totalMiB > 0 && capacityText(job.totalMiB)}
            {job.needMiB !== null && t('atLeast', { needMiB: capacityText(job.needMiB) })}
          </small>
        </span>
        <StandingRow word={job.standings} />
        <span>
          {job.waitsFor}
          <small>{job.touched}</small>
        </span>
      </a>
    </li>
  );
}
