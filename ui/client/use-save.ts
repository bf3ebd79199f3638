'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import { type Called, useCall } from './session-guard';

export interface Saving {
  busy: boolean;
  /** what went wrong the last time, in one sentence */
  sentence: string | null;
  /** sends a change and, when it is kept, shows the page again */
  save: <T, Progress = never>(
    method: 'POST' | 'PUT' | 'PATCH' | 'DELETE',
    path: string,
    body?: unknown,
    onProgress?: (progress: Progress) => void,
  ) => Promise<Called<T>>;
}

/** Sends changes one at a time to the eye: says that it is busy, and what went wrong. */
export function useSave(): Saving {
  const call = useCall();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [sentence, setSentence] = useState<string | null>(null);
  const save = useCallback(
    async <T, Progress>(
      method: 'POST' | 'PUT' | 'PATCH' | 'DELETE',
      path: string,
      body?: unknown,
      onProgress?: (progress: Progress) => void,
    ) => {
      setBusy(true);
      const result = await call<T, Progress>(method, path, body, onProgress);
      setBusy(false);
      setSentence(result.ok ? null : result.sentence);
      if (result.ok) router.refresh();
      return result;
    },
    [call, router],
  );
  return { busy, sentence, save };
}
