'use client';
import { useCallback, useEffect, useState } from 'react';

const store = (): Storage | null => (typeof window === 'undefined' ? null : window.sessionStorage);

/**
 * Text that somebody is typing: it outlives leaving the page and signing in again, until it is let go.
 *
 * @param key where it is kept, within this browser tab
 * @param initial what it is before anyone types
 * @returns the text, how to change it, and how to let it go once it is safe
 */
export function useKeptText(key: string, initial: string): [string, (text: string) => void, () => void] {
  const [text, setText] = useState(initial);
  useEffect(() => {
    const kept = store()?.getItem(key);
    if (kept != null) setText(kept);
  }, [key]);
  const change = useCallback(
    (next: string) => {
      setText(next);
      store()?.setItem(key, next);
    },
    [key],
  );
  const letGo = useCallback(() => store()?.removeItem(key), [key]);
  return [text, change, letGo];
}
