import {
  NO_FACTS,
  nextStation,
  type Station,
  type StationStanding,
  stationStandings,
} from '../../core/machine/station';
import { logCaught } from '../../runtime/log';
import { pool } from '../../store/database';
import { getJob, type JobRow, listCounterJobs, setStation } from '../../store/job/jobs';
import type { Caller } from '../staff/access';
import { machineName } from './job-names';

export interface CounterEntry {
  id: number;
  customer: string;
  machine: string;
  complaint: string;
  totalMiB: number;
  needMiB: number | null;
  standings: Record<Station, StationStanding>;
  next: Station;
  waitsFor: string;
  touchedAt: Date;
}

/** So many days before a quote lapses it is worth a call. */
const SOON_DAYS = 3;

function customersWord({
  acceptedPlace,
  declined,
  lapsed,
  quoteNumber,
  daysLeft,
  mailStuck,
  parts,
  fellThrough,
}: JobRow): string {
  const quote = quoteNumber ?? 'the quote';
  if (fellThrough !== null) return 'nobody: it came to nothing';
  if (acceptedPlace !== null && parts === 'here') return 'the bench: its parts are here';
  if (acceptedPlace !== null && parts === 'on-the-way') return 'its parts, which are on their way';
  if (acceptedPlace !== null) return `the parts: option ${acceptedPlace} is accepted`;
  if (lapsed) return `a new version: ${quote} has lapsed`;
  if (declined) return `another offer: ${quote} was declined`;
  if (mailStuck) return `a look at its mail: ${quote} may not have arrived`;
  const word = `the customer’s word on ${quote}`;
  if (daysLeft === null || daysLeft > SOON_DAYS) return word;
  return `${word}: it lapses ${daysLeft === 0 ? 'today' : daysLeft === 1 ? 'tomorrow' : `in ${daysLeft} days`}`;
}

function waitsFor(row: JobRow, next: Station): string {
  if (next === 'intake') return row.slotCount === 0 ? 'what the machine says' : 'the customer’s name';
  if (next === 'limits') return row.gapCount > 0 ? 'an answer on a module' : 'a look at the limits';
  if (next === 'options') return 'a choice on the ladder';
  if (next === 'quote' && row.openQuestions > 0) return 'an answer to what was asked';
  if (next === 'quote') return row.choiceCount === 1 ? 'sending 1 option' : `sending ${row.choiceCount} options`;
  if (next === 'fitting') return customersWord(row);
  return row.proved ? 'nobody: the promise is kept' : 'its proof: it is fitted';
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
  // A customer who asks is waiting, whatever else is to be decided.
  const next = row.openQuestions > 0 ? 'quote' : nextStation(standings);
  return {
    id: row.id,
    customer: row.customer.name,
    machine: machineName(row),
    complaint: row.complaint.slice(0, MOST_COMPLAINT),
    totalMiB: row.totalMiB,
    needMiB: row.needMiB,
    standings,
    next,
    waitsFor: row.isBroken ? 'its slots to be put right: a capacity in them cannot be' : waitsFor(row, next),
    touchedAt: row.touchedAt,
  };
}

/** A job that cannot be made sense of is shown as such, and takes nothing else away. */
function brokenEntry({ id, touchedAt }: JobRow): CounterEntry {
  const standings = stationStandings(NO_FACTS);
  return {
    id,
    customer: 'This job cannot be read',
    machine: '',
    complaint: '',
    totalMiB: 0,
    needMiB: null,
    standings,
    next: 'intake',
    waitsFor: 'somebody who puts its data right',
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

/** A page of the open jobs with the station each waits at, last touched first. @param page from 1 */
export async function counterJobs(_: Caller<'jobs.read'>, page = 1): Promise<CounterPage> {
  const rows = await listCounterJobs(pool(), { most: COUNTER_PAGE + 1, after: (page - 1) * COUNTER_PAGE });
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
