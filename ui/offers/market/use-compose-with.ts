'use client';
import { useCallback, useState } from 'react';
import { useCall } from '../../client/session-guard';

/** Begins a set with an offer for a job, on its Options. */
export function useComposeWith(jobId: number | null): {
  /** what could not be done, in a sentence */
  sentence: string | null;
  /** null: there is no job */
  compose: ((offer: { id: number }) => void) | null;
} {
  const call = useCall();
  const [sentence, setSentence] = useState<string | null>(null);
  const compose = useCallback(
    async ({ id }: { id: number }) => {
      const result = await call<{ plan: string }>('POST', `/api/jobs/${jobId}/compose`, { offer: id });
      if (!result.ok) {
        setSentence(result.sentence);
        return;
      }
      const query = new URLSearchParams({ plan: result.value.plan, 'by-hand': '' });
      window.location.assign(`/jobs/${jobId}/options?${query}`);
    },
    [call, jobId],
  );
  return { sentence, compose: jobId === null ? null : (offer) => void compose(offer) };
}
