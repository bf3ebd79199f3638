'use client';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';

/** Saves Intake values that are chosen rather than typed, at once. */
export function usePut() {
  const { job } = useJob();
  const { save } = useSave();
  return (values: Record<string, unknown>) => save('PATCH', `/api/jobs/${job.id}/intake`, values);
}
