import { STATIONS } from '@/core/machine/station';
import { STATION_NAMES } from '../frame/station-words';
import { type CounterJob, JobRow } from './job-row';

/** Open jobs under the station that wants somebody next. */
export function CounterBoard({ jobs }: { jobs: readonly CounterJob[] }) {
  if (jobs.length === 0) {
    return (
      <p className="bg-sheet border border-line px-4 py-8 text-center">
        No open jobs. The next customer starts with “New job”.
      </p>
    );
  }
  return (
    <div className="grid gap-5">
      {STATIONS.map((station) => {
        const own = jobs.filter((job) => job.next === station);
        if (own.length === 0) return null;
        return (
          <section key={station} aria-label={STATION_NAMES[station]}>
            <h2 className="text-base flex items-baseline gap-2 border-b-4 border-edge pb-1">
              {STATION_NAMES[station]}
              <span className="text-sm font-normal text-ink-2">
                {own.length} {own.length === 1 ? 'job' : 'jobs'}
              </span>
            </h2>
            <ul>
              {own.map((job) => (
                <JobRow key={job.id} job={job} />
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
