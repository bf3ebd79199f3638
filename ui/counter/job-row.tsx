import { STATIONS, type Station, type StationStanding } from '@/core/machine/station';
import { capacityText } from '@/core/memory/capacity';
import { StandingRow } from '../frame/standing-sign';
import { STANDING_SIGNS, STATION_NAMES } from '../frame/station-words';

export interface CounterJob {
  id: number;
  customer: string;
  machine: string;
  complaint: string;
  totalMiB: number;
  needMiB: number | null;
  standings: Record<Station, StationStanding>;
  next: Station;
  /** what it waits for, in a few words */
  waitsFor: string;
  touched: string;
}

/** One job on the counter: who, what machine, how far, and what it waits for. */
export function JobRow({ job }: { job: CounterJob }) {
  const stations = STATIONS.map(
    (station) => `${STATION_NAMES[station]} ${STANDING_SIGNS[job.standings[station]].word}`,
  ).join(', ');
  return (
    <li>
      <a href={`/jobs/${job.id}`} className="job-row">
        <b>{job.id}</b>
        <span>
          <b>{job.customer || 'No name yet'}</b>
          <small>{job.complaint}</small>
        </span>
        <span>
          {job.machine || 'no machine yet'}
          <small>
            {job.totalMiB > 0 && capacityText(job.totalMiB)}
            {job.needMiB !== null && ` → at least ${capacityText(job.needMiB)}`}
          </small>
        </span>
        <StandingRow standings={STATIONS.map((station) => job.standings[station])} label={stations} />
        <span>
          {job.waitsFor}
          <small>{job.touched}</small>
        </span>
      </a>
    </li>
  );
}
