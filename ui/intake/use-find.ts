'use client';
import { useEffect, useState } from 'react';
import type { ApartQuestion, Likely } from '@/core/machine/models/disambiguate';
import { callOnce } from '../client/session-guard';

/** A job of before that may be meant by what is typed. */
export interface FoundJob {
  id: number;
  customer: string;
  machine: string;
  serial: string;
  on: string;
  by: 'serial' | 'customer' | 'phone' | 'email' | 'name';
}

export interface FoundOnIntake {
  models: Likely[];
  question: ApartQuestion | null;
  jobs: FoundJob[];
}

const NOTHING: FoundOnIntake = { models: [], question: null, jobs: [] };
/** Long enough that a word is typed to its end, short enough that nobody waits. */
const PAUSE_MS = 160;
const LONGEST = 300;

/** What a line may mean, asked again when typing pauses; null: not to be asked. */
export function useFind(text: string | null, jobId: number): FoundOnIntake {
  const [found, setFound] = useState(NOTHING);
  const line = text === null || text.includes('\n') || text.length > LONGEST ? null : text.trim();
  useEffect(() => {
    if (line === null) {
      setFound(NOTHING);
      return;
    }
    let stale = false;
    const timer = setTimeout(async () => {
      const result = await callOnce<FoundOnIntake>('POST', '/api/find', { text: line, jobId });
      if (!stale) setFound(result.ok ? result.value : NOTHING);
    }, PAUSE_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [line, jobId]);
  return found;
}
