import {
  NO_FACTS,
  nextStation,
  type Station,
  type StationStanding,
  stationStandings,
} from '../../core/machine/station';
import { logCaught } from '../../runtime/log';
import { pool } from '../../store/database';
import { type CounterOrder, type JobRow, listCounterJobs } from '../../store/job/counter-jobs';
import { getJob, setStation } from '../../store/job/jobs';
import type { Caller } from '../staff/access';
import { machinesName } from './job-names';

/** What a job waits for. */
export type Waiting =
  | { on: 'report' | 'name' | 'module' | 'limits' | 'choice' | 'question' | 'here' | 'on-the-way' }
  | { on: 'proof' | 'proved' | 'closed' | 'slots' | 'unreadable' }
  | { on: 'send'; count: number }
  | { on: 'parts'; place: number }
  | { on: 'lapsed' | 'declined' | 'mail' | 'answer'; quote: string }
  /** `days`: until the quote lapses; 0: today */
  | { on: 'lapses'; quote: string; days: number };

export interface CounterEntry {
  id: number;
  customer: string;
  machine: string;
  complaint: string;
  totalMiB: number;
  needMiB: number | null;
  /** `YYYY-MM-DD` */
  neededBy: string | null;
  standings: Record<Station, StationStanding>;
  next: Station;
  waitsFor: Waiting;
  touchedAt: Date;
}

/** So many days before a quote lapses it is worth a call. */
const SOON_DAYS = 3;

function afterSending(row: JobRow): Waiting {
  const { acceptedPlace, quoteNumber, daysLeft, parts } = row;
  const quote = quoteNumber ?? '';
  if (row.fellThrough !== null) return { on: 'closed' };
  if (acceptedPlace !== null) {
    return parts === 'here' || parts === 'on-the-way' ? { on: parts } : { on: 'parts', place: acceptedPlace };
  }
  if (row.lapsed) return { on: 'lapsed', quote };
  if (row.declined) return { on: 'declined', quote };
  if (row.mailStuck) return { on: 'mail', quote };
  return daysLeft === null || daysLeft > SOON_DAYS ? { on: 'answer', quote } : { on: 'lapses', quote, days: daysLeft };
}

function waitsFor(row: JobRow, next: Station): Waiting {
  if (next === 'intake') return { on: row.slotCount === 0 ? 'report' : 'name' };
  if (next === 'limits') return { on: row.gapCount > 0 ? 'module' : 'limits' };
  if (next === 'options') return { on: 'choice' };
  if (next === 'quote') return row.openQuestions > 0 ? { on: 'question' } : { on: 'send', count: row.choiceCount };
  if (next === 'fitting') return afterSending(row);
  return { on: row.proved ? 'proved' : 'proof' };
}

function entryOf(row: JobRow): CounterEntry {
  const standings = stationStandings({
    customerNamed: row.customer.name !== '',
    slotCount: row.slotCount,
    gapCount: row.gapCount,
    limitsAgreed: row.limitsAgreedAt !== null,
    choiceCount: row.choiceCount,
    quoteSent: row.quoteNumber !== null,
    questionOpen: row.openQuestions > 0,
    fitted: row.fitted,
    proved: row.proved,
  });
  // A customer who asks is waiting, whatever else has to be decided.
  const next = row.openQuestions > 0 ? 'quote' : nextStation(standings);
  return {
    id: row.id,
    customer: row.customer.name,
    machine: machinesName({ ...row, machines: row.allMachines }),
    complaint: row.complaint.slice(0, MOST_COMPLAINT),
    totalMiB: row.totalMiB,
    needMiB: row.needMiB,
    neededBy: row.neededBy,
    standings,
    next,
    waitsFor: row.isBroken ? { on: 'slots' } : waitsFor(row, next),
    touchedAt: row.touchedAt,
  };
}

/** A job that cannot be made sense of is shown as such, and takes nothing else away. */
function brokenEntry({ id, touchedAt }: JobRow): CounterEntry {
  const standings = stationStandings(NO_FACTS);
  return {
    id,
    customer: '',
    machine: '',
    complaint: '',
    totalMiB: 0,
    needMiB: null,
    neededBy: null,
    standings,
    next: 'intake',
    waitsFor: { on: 'unreadable' },
    touchedAt,
  };
}

/** Jobs on one page of the counter. */
export const COUNTER_PAGE = 30;
/** So much of what the customer said fits a line. */
const MOST_COMPLAINT = 120;

export interface CounterPage {
  jobs: CounterEntry[];
  /** there are older ones */
  hasMore: boolean;
}

/** A page of the open jobs with the station each waits at. @param page from 1 */
export async function counterJobs(
  _: Caller<'jobs.read'>,
  page = 1,
  by: CounterOrder = 'touched',
): Promise<CounterPage> {
  const rows = await listCounterJobs(pool(), { most: COUNTER_PAGE + 1, after: (page - 1) * COUNTER_PAGE }, by);
  const jobs = rows.slice(0, COUNTER_PAGE).map((row) => {
    try {
      return entryOf(row);
    } catch (cause) {
      logCaught(cause, 'reading a job of the counter', { job: row.id });
      return brokenEntry(row);
    }
  });
  return { jobs, hasMore: rows.length > COUNTER_PAGE };
}

/** Remembers at which station a job was left. */
export async function rememberStation(_: Caller<'jobs.read'>, jobId: number, station: Station): Promise<void> {
  await setStation(pool(), jobId, station);
}

/** The station at which a job was left; null where there is no such job. */
export async function whereLeft(_: Caller<'jobs.read'>, jobId: number): Promise<Station | null> {
  const job = await getJob(pool(), jobId);
  return job?.station ?? null;
}
