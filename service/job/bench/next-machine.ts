import type { Station } from '../../../core/machine/station';
import type { JobWith } from '../slices/slice';
import { isFittedAt, isProvedAt } from './job-work';

/** The machine of a job that a station goes on with: the first that is not fitted yet, or not proved. */
export function nextMachine({ job, work }: JobWith<'work'>, station: Station): number {
  const isDone = station === 'proof' ? isProvedAt : isFittedAt;
  for (let machine = 1; machine <= job.machines; machine++)
    if (!isDone(work, { jobId: job.id, machine })) return machine;
  return 1;
}
