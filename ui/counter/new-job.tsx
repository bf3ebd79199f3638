'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useCall } from '../client/session-guard';
import { Button } from '../kit/button';

/** Opens a job and leads to its Intake. */
export function NewJob() {
  const t = useTranslations('jobs');
  const call = useCall();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [sentence, setSentence] = useState<string | null>(null);
  const open = async () => {
    setBusy(true);
    const result = await call<{ id: number }>('POST', '/api/jobs');
    if (result.ok) router.push(`/jobs/${result.value.id}/intake`);
    else {
      setBusy(false);
      setSentence(result.sentence);
    }
  };
  return (
    <div className="flex items-center gap-3">
      {sentence !== null && (
        <span role="alert" className="text-stop text-sm">
          {sentence}
        </span>
      )}
      <Button weight="act" onClick={open} disabled={busy}>
        {t('newJob')}
      </Button>
    </div>
  );
}
