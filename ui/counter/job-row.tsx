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
      <a
        href={`/jobs/${job.id}`}
        className="grid grid-cols-[3rem_minmax(0,1.2fr)_minmax(0,1.1fr)_7rem_minmax(0,1fr)] gap-4 items-center px-4 py-2 bg-sheet hover:bg-act-soft border-b border-line max-[860px]:grid-cols-[2.5rem_1fr_auto]"
      >
        <span className="text-ink-2 font-semibold">{job.id}</span>
        <span className="min-w-0">
          <span className="block font-semibold truncate">{job.customer || 'No name yet'}</span>
          <span className="block text-sm text-ink-2 truncate">{job.complaint}</span>
        </span>
        <span className="min-w-0 max-[860px]:hidden">
          <span className="block truncate">{job.machine || 'no machine yet'}</span>
          <span className="block text-sm text-ink-2">
            {job.totalMiB > 0 && capacityText(job.totalMiB)}
            {job.needMiB !== null && ` → at least ${capacityText(job.needMiB)}`}
          </span>
        </span>
        <StandingRow standings={STATIONS.map((station) => job.standings[station])} label={stations} />
        <span className="min-w-0 max-[860px]:hidden text-right">
          <span className="block truncate">{job.waitsFor}</span>
          <span className="block text-sm text-ink-2">{job.touched}</span>
        </span>
      </a>
    </li>
  );
}
