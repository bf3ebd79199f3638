'use client';
import { useState } from 'react';

/** What the page shows, or what was saved since, until the page comes again: of two quick changes neither undoes the other. */
export function useAhead<T>(shown: T): [current: T, saved: (value: T) => void] {
  const [ahead, setAhead] = useState<{ over: T; value: T } | null>(null);
  return [ahead !== null && ahead.over === shown ? ahead.value : shown, (value) => setAhead({ over: shown, value })];
}
