'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { Button } from '../kit/button';

// Fetched once it is opened: it stands beside every station.
const CloseSheet = dynamic(() => import('./close-sheet').then((module) => module.CloseSheet), { ssr: false });

/** Closes a job with how it ended and why, or deletes it where nothing is in it. */
export function CloseJobButton({ jobId }: { jobId: number }) {
  const t = useTranslations('job');
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button weight="quiet" className="shrink-0" onClick={() => setOpen(true)}>
        {t('close.action')}
      </Button>
      {open && <CloseSheet jobId={jobId} onClose={() => setOpen(false)} />}
    </>
  );
}
