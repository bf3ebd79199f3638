'use client';
import Link from 'next/link';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { Renewed } from '@/core/quoting/drift/renewed';
import { useKeys } from '../client/use-keys';
import type { Saving } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { KeyHint } from '../kit/key-hint';
import { Notice } from '../kit/notice';
import { driftText, renewedText } from './drift-words';

/** What moved behind the quote that is out, what that does to what is left, and the ways on: renew it, or let it hold. */
export function Drifts({ saving: { busy, save } }: { saving: Saving }) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const [renewed, setRenewed] = useState<Renewed | null>(null);
  const isAccepted = job.work.accepted !== null;
  const canRenew = job.slip.length === 0 && job.work.parts.every(({ order }) => order === null);
  const mayRenew = job.drifts.length > 0 && canRenew && !busy;
  const renew = async () => {
    const result = await save<Renewed>('POST', `/api/jobs/${job.id}/quote/again`);
    if (result.ok) setRenewed(result.value);
  };
  useKeys({ r: () => mayRenew && void renew() });
  if (renewed !== null && job.slip.length > 0)
    return (
      <Notice tone="good" live>
        {renewedText(t, renewed)}
      </Notice>
    );
  if (job.drifts.length === 0) return null;
  return (
    <section aria-label={t('drift.label')}>
      <Notice tone="mind">
        <p className="font-semibold">{isAccepted ? t('drift.toOrder') : t('drift.what')}</p>
        <ul>
          {job.drifts.map((drift) => (
            <li key={drift.place}>{driftText(t, drift, job.currency)}</li>
          ))}
        </ul>
        {isAccepted && (
          <p className="mt-1.5">
            <Link href="/orders" className={buttonLook('plain')}>
              {t('drift.orders')}
            </Link>
          </p>
        )}
        {canRenew && (
          <div className="flex flex-wrap items-center gap-3 mt-1.5">
            <Button disabled={!mayRenew} onClick={() => void renew()} aria-keyshortcuts="r">
              {t.rich('drift.renew', { e0: () => <KeyHint of="R" /> })}
            </Button>
            <span className="text-sm text-ink-2">{t('drift.how')}</span>
          </div>
        )}
      </Notice>
    </section>
  );
}
