'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { callOnce } from './session-guard';

/** How often it is asked whether somebody else went on, ms. */
const ASKS_MS = 4_000;

/** What is asked about: the job as a whole, or which picture of it is the newest. */
type Asked = 'stamp' | 'picture';

/** A desk waits for a telephone's photographs so often; then for anyone who draws its page again. */
const MOST_ASKS: Record<Asked, number> = { stamp: Number.POSITIVE_INFINITY, picture: 150 };

/**
 * Draws the page again when somebody else changed the job: two tablets stand at one bench, a telephone takes pictures for a desk.
 *
 * @param known what this page shows: the job's stamp, or its newest picture
 */
export function useFresh(jobId: number, known: string, what: Asked = 'stamp'): void {
  const router = useRouter();
  const seen = useRef(known);
  seen.current = known;
  useEffect(() => {
    let asks = 0;
    const timer = setInterval(async () => {
      if (document.visibilityState !== 'visible') return;
      asks++;
      if (asks >= MOST_ASKS[what]) clearInterval(timer);
      const before = seen.current;
      const answer = await callOnce<Record<Asked, string>>('GET', `/api/jobs/${jobId}/stamp`);
      if (answer.ok && answer.value[what] !== before && seen.current === before) router.refresh();
    }, ASKS_MS);
    return () => clearInterval(timer);
  }, [jobId, router, what]);
}
