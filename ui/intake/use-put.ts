'use client';
import { useCallback, useState } from 'react';
import { overwritten } from '@/core/overwritten';
import type { PageJob } from '@/service/job/view';
import type { Called } from '../client/session-guard';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { intakeOf } from './seen-intake';

/** Two people wrote the same field: what each wrote, by the fields' names. */
export interface Clash {
  mine: Record<string, unknown>;
  theirs: Record<string, unknown>;
}

export interface Putting {
  put: (values: Record<string, unknown>) => Promise<Called<null>>;
  busy: boolean;
  /** what went wrong, where nobody else wrote the same */
  sentence: string | null;
  clash: Clash | null;
  /** ends the clash: mine is written over theirs, or theirs stays */
  settle: (whose: 'mine' | 'theirs') => Promise<void>;
}

/**
 * What this tab wrote and the server took, for each job, since its page was drawn last: the page that is on its way does not
 * know of it yet.
 */
const written = new Map<number, { drawn: PageJob; values: Record<string, unknown> }>();

function seenOf(job: PageJob): Record<string, unknown> {
  const own = written.get(job.id);
  return { ...intakeOf(job), ...(own?.drawn === job && own.values) };
}

function noteWritten(job: PageJob, values: Record<string, unknown>): void {
  const own = written.get(job.id);
  written.set(job.id, { drawn: job, values: { ...own?.values, ...values } });
}

/** What the server says of now is what this tab wrote itself: its page was drawn between two of its own changes. */
function isOwn(job: PageJob, theirs: Record<string, unknown>): boolean {
  return (
    overwritten(theirs, {}, written.get(job.id)?.values ?? {}) === null &&
    Object.keys(theirs).every((field) => field in (written.get(job.id)?.values ?? {}))
  );
}

/** Saves Intake values; where somebody else wrote the same field meanwhile, the person here chooses. */
export function usePut(): Putting {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [clash, setClash] = useState<Clash | null>(null);
  const write = useCallback(
    async (values: Record<string, unknown>, seen: Record<string, unknown>): Promise<Called<null>> => {
      const result = await save<null>('PATCH', `/api/jobs/${job.id}/intake`, { set: values, seen });
      if (result.ok) {
        noteWritten(job, values);
        setClash(null);
      } else if (result.theirs !== undefined) {
        if (isOwn(job, result.theirs)) return write(values, { ...seen, ...result.theirs });
        setClash({ mine: values, theirs: result.theirs });
      }
      return result;
    },
    [job, save],
  );
  const put = useCallback(
    (values: Record<string, unknown>) => {
      const seen = seenOf(job);
      return write(values, Object.fromEntries(Object.keys(values).map((field) => [field, seen[field] ?? null])));
    },
    [job, write],
  );
  const settle = async (whose: 'mine' | 'theirs') => {
    if (clash === null) return;
    const values = whose === 'mine' ? clash.mine : { ...clash.mine, ...clash.theirs };
    await write(values, { ...seenOf(job), ...clash.theirs });
  };
  return { put, busy, sentence: clash === null ? sentence : null, clash, settle };
}
