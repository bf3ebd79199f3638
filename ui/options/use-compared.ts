'use client';
import { useState } from 'react';
import type { Plan } from '@/core/planning/search/plan';

const MOST_COMPARED = 3;

/** Plans that are laid side by side: those that are there, in the order in which they were taken. */
export function useCompared(byKey: ReadonlyMap<string, Plan>) {
  const [compared, setCompared] = useState<readonly string[]>([]);
  const flip = (key: string | null) => {
    if (key === null) return;
    setCompared((before) => {
      const there = before.filter((one) => byKey.has(one));
      if (there.includes(key)) return there.filter((one) => one !== key);
      return there.length < MOST_COMPARED ? [...there, key] : there;
    });
  };
  return { compared, side: compared.flatMap((key) => byKey.get(key) ?? []), flip };
}
