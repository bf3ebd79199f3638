'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { callOnce } from './session-guard';

/** How often it is asked whether somebody else went on, ms. */
const ASKS_MS = 4_000;

/** Draws the page anew when somebody else changed the job: two tablets stand at one bench. */
export function useFresh(jobId: number, stamp: string): void {
  const router = useRouter();
  const seen = useRef(stamp);
  seen.current = stamp;
  useEffect(() => {
    const timer = setInterval(async () => {
      if (document.visibilityState !== 'visible') return;
      const before = seen.current;
      const answer = await callOnce<{ stamp: string }>('GET', `/api/jobs/${jobId}/stamp`);
      if (answer.ok && answer.value.stamp !== before && seen.current === before) router.refresh();
    }, ASKS_MS);
    return () => clearInterval(timer);
  }, [jobId, router]);
}
