import { useTranslations } from '#translations';
import type { CounterEntry } from '@/service/job/counter';
import { StandingRow, type StandingsWord } from '../frame/standing-sign';
import { capacityText } from '../words/amounts';

type Told = 'id' | 'customer' | 'machine' | 'complaint' | 'totalMiB' | 'needMiB' | 'next';

export interface CounterJob extends Pick<CounterEntry, Told> {
  /** how its stations stand, a letter each */
  standings: StandingsWord;
  /** what it waits for, in a few words */
  waitsFor: string;
  touched: string;
  /** by when the customer needs it, in words; null: no day is named */
  needed: string | null;
}

/** One job on the counter: who, what machine, how far, and what it waits for. */
export function JobLine({ job }: { job: CounterJob }) {
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
          <small>{job.needed ?? job.touched}</small>
        </span>
      </a>
    </li>
  );
}
