'use client';
import { useTranslations } from '#translations';
import { STATIONS } from '@/core/machine/station';
import { StandingPads } from '../frame/standing-sign';
import { STATION_NAMES } from '../frame/station-words';
import { buttonLook } from '../kit/button';
import { NearLink } from '../kit/near-link';
import { NearLinks } from '../kit/near-links';
import { type CounterJob, JobLine } from './job-row';

interface CounterBoardProps {
  jobs: readonly CounterJob[];
  /** from 1 */
  page: number;
  by: 'touched' | 'needed';
  hasMore: boolean;
}

function pageHref(page: number, by: CounterBoardProps['by']): string {
  const query = new URLSearchParams({ ...(by === 'needed' && { by }), ...(page > 1 && { page: String(page) }) });
  return query.size === 0 ? '/counter' : `/counter?${query}`;
}

/** Ways to the jobs touched before these, and after them. */
function Pages({ page, by, hasMore }: Omit<CounterBoardProps, 'jobs'>) {
  const t = useTranslations('jobs');
  if (page === 1 && !hasMore) return null;
  return (
    <nav aria-label={t('pages')} className="flex items-center gap-3">
      {page > 1 && (
        <NearLink href={pageHref(page - 1, by)} className={buttonLook('plain')}>
          {t('newer')}
        </NearLink>
      )}
      {hasMore && (
        <NearLink href={pageHref(page + 1, by)} className={buttonLook('plain')}>
          {t('older')}
        </NearLink>
      )}
      <span className="text-sm text-ink-2">{t('page', { page })}</span>
    </nav>
  );
}

/** Some of the jobs under a heading; nothing where there are none. */
function Jobs({ name, jobs }: { name: string; jobs: readonly CounterJob[] }) {
  const t = useTranslations('jobs');
  if (jobs.length === 0) return null;
  return (
    <section aria-label={name}>
      <h2 className="jobs-head">
        {name}
        <span>{t('count', { own: jobs.length })}</span>
      </h2>
      <NearLinks>
        <ul>
          {jobs.map((job) => (
            <JobLine key={job.id} job={job} />
          ))}
        </ul>
      </NearLinks>
    </section>
  );
}

/** Open jobs under the station that wants somebody next, or in one list by the day on which they are needed. The page carries each job once, as data. */
export function CounterBoard({ jobs, page, by, hasMore }: CounterBoardProps) {
  const t = useTranslations('jobs');
  const tFrame = useTranslations('frame');
  if (jobs.length === 0) {
    return (
      <>
        <p className="bg-sheet border border-line px-4 py-8 text-center">{page === 1 ? t('empty') : t('emptyPage')}</p>
        <Pages page={page} by={by} hasMore={hasMore} />
      </>
    );
  }
  return (
    <div className="grid gap-5">
      <StandingPads words={jobs.map(({ standings }) => standings)} />
      {by === 'needed' ? (
        <Jobs name={t('byNeeded')} jobs={jobs} />
      ) : (
        STATIONS.map((station) => (
          <Jobs
            key={station}
            name={tFrame(STATION_NAMES[station])}
            jobs={jobs.filter(({ next }) => next === station)}
          />
        ))
      )}
      <Pages page={page} by={by} hasMore={hasMore} />
    </div>
  );
}
