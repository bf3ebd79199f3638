import { type Station, type StationStanding, stationStandings } from '../../core/machine/station';
import type { Caller } from '../staff/access';
import { isFitted, isProved } from './bench/job-work';
import { showSlices } from './slices/read-slices';
import type { JobWith, SliceName } from './slices/slice';

const WHOLE = ['readings', 'machine', 'limits', 'market', 'quote', 'work'] as const satisfies readonly SliceName[];
type Whole = JobWith<(typeof WHOLE)[number]>;

/** Stations that plan: nobody else needs what could be bought beside what was chosen. */
const PLANS: ReadonlySet<Station> = new Set<Station>(['limits', 'options']);

/** A job with everything that its screens show. */
export interface JobState extends Whole {
  standings: Record<Station, StationStanding>;
}

/** How the stations of a job stand. */
export function standingsOf({
  job,
  slots,
  gaps,
  draft,
  sent,
  answers,
  work,
}: JobWith<'machine' | 'limits' | 'quote' | 'work'>): Record<Station, StationStanding> {
  const current = sent.find(({ state }) => state === 'sent');
  return stationStandings({
    customerNamed: job.customer.name !== '',
    slotCount: slots.length,
    gapCount: gaps.length,
    limitsAgreed: job.limitsAgreedAt !== null,
    choiceCount: draft?.choices.length ?? 0,
    quoteSent: sent.length > 0,
    questionOpen: answers.some(
      ({ kind, reply, quoteId }) => kind === 'question' && reply === null && quoteId === current?.id,
    ),
    fitted: isFitted(work),
    proved: isProved(work),
  });
}

const withStandings = (state: Whole): JobState => ({ ...state, standings: standingsOf(state) });

/** A whole job, with all that could be bought for it, for work that its caller may do. */
export async function wholeJob(id: number): Promise<JobState | null> {
  const state = await showSlices(id, WHOLE);
  return state === null ? null : withStandings(state);
}

/** A whole job as somebody who may sees it. */
export const showJob = (_: Caller<'jobs.read'>, id: number): Promise<JobState | null> => wholeJob(id);

/** A job as one of its stations shows it, all of it as it was at one moment. */
export async function showStation(_: Caller<'jobs.read'>, id: number, station: Station): Promise<JobState | null> {
  if (PLANS.has(station)) return wholeJob(id);
  const others = station === 'quote' ? (['others'] as const) : [];
  const state = await showSlices(id, ['readings', 'machine', 'limits', 'chosen', 'quote', 'work', ...others] as const);
  return state === null ? null : withStandings(state);
}
