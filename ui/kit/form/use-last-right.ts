'use client';
import { useRef } from 'react';
import type { Read } from './read-typed';

/** What was typed last that was right: examples are shown of it while something is half typed. */
export function useLastRight<Typed, Sent>(read: Read<Typed, Sent>, first: Sent): Sent {
  const last = useRef(first);
  if (read.ok) last.current = read.value;
  return last.current;
}
