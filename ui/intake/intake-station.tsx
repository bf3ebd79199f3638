'use client';
import Link from 'next/link';
import { Ask } from '../job/ask';
import { useJob } from '../job/job-context';
import { buttonLook } from '../kit/button';
import { CustomerFields, MachineFields, WishFields } from './intake-fields';
import type { LibraryModel } from './library-model';
import { ReportField } from './report-field';

/** Intake: one field takes what the machine says; the rest is who and what for. */
export function IntakeStation({ models }: { models: readonly LibraryModel[] }) {
  const { job } = useJob();
  return (
    <div className="grid gap-4">
      <h1 className="sr-only">Intake</h1>
      <ReportField jobId={job.id} known={job.slots.length > 0} models={models} />
      <Ask />
      <div className="grid gap-5 md:grid-cols-2 items-start">
        <CustomerFields />
        <WishFields />
      </div>
      <MachineFields />
      <div className="flex flex-wrap items-center gap-3">
        <Link href={`/jobs/${job.id}/limits`} className={buttonLook('plain')}>
          On to Limits
        </Link>
        {job.slots.length > 0 && job.gaps.length === 0 && (
          <Link href={`/jobs/${job.id}/options`} className={buttonLook('plain')}>
            Straight to Options
          </Link>
        )}
        {job.reading !== null && (
          <span className="text-sm text-ink-2">
            From “{job.reading.sourceName}”{job.reading.cpu === null ? '' : `, CPU ${job.reading.cpu}`}
          </span>
        )}
      </div>
    </div>
  );
}
