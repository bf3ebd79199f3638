'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import { useFresh } from '../client/use-fresh';
import { Ask } from '../job/ask';
import { useJob } from '../job/job-context';
import { buttonLook } from '../kit/button';
import { JobPictures } from '../pictures/job-pictures';
import { EarlierJobs } from './earlier-jobs';
import { CustomerFields } from './intake-fields';
import { KeepAsModel } from './keep-as-model';
import { MachineFields } from './machine-fields';
import { ReadingsList } from './readings/readings-list';
import { ReportField } from './readings/report-field';
import { WishFields } from './wish-fields';

/** Intake: one field takes what the machine says; the rest is who and what for. */
export function IntakeStation() {
  const t = useTranslations('intake');
  const { job } = useJob();
  useFresh(job.id, String(job.pictures.at(-1)?.id ?? 0), 'picture');
  return (
    <div className="grid gap-4">
      <h1 className="sr-only">{t('title')}</h1>
      <ReportField jobId={job.id} known={job.slots.length > 0} asks={job.panelAsks} />
      <Ask />
      <EarlierJobs />
      <ReadingsList />
      <JobPictures />
      <div className="grid gap-5 md:grid-cols-2 items-start">
        <div className="grid gap-5">
          {job.leadId === job.id && <CustomerFields />}
          <MachineFields />
        </div>
        <WishFields />
      </div>
      <KeepAsModel />
      <div className="flex flex-wrap items-center gap-3">
        <Link href={`/jobs/${job.id}/limits`} className={buttonLook('plain')}>
          {t('toLimits')}
        </Link>
        {job.slots.length > 0 && job.gaps.length === 0 && (
          <Link href={`/jobs/${job.id}/options`} className={buttonLook('plain')}>
            {t('toOptions')}
          </Link>
        )}
      </div>
    </div>
  );
}
