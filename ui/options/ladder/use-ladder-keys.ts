'use client';
import { type KeyboardEvent, type RefObject, useEffect, useRef } from 'react';
import type { Rung } from '@/core/planning/filters/ladder';
import { nextPlanKey } from './ladder-keys';

interface LadderKeys {
  box: RefObject<HTMLElement | null>;
  /** the highest total first, as they stand */
  rungs: readonly Rung[];
  /** key of the plan that is looked at */
  looked: string | null;
  /** key of the plan that the keys begin from */
  reachable: string | null;
  onLook: (key: string) => void;
  onPut: (place: number) => void;
}

/** The arrows go from plan to plan, 1 2 3 put the one that is looked at on the slip; it has the focus, and is in sight. */
export function useLadderKeys({ box, rungs, looked, reachable, onLook, onPut }: LadderKeys) {
  const byKey = useRef(false);
  useEffect(() => {
    if (looked === null) return;
    const drawn = box.current?.querySelector<SVGGElement>(`[data-plan="${CSS.escape(looked)}"]`);
    if (byKey.current) drawn?.focus();
    byKey.current = false;
    drawn?.closest('li')?.scrollIntoView({ block: 'nearest' });
  }, [looked, box]);
  return (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (/^[123]$/.test(event.key) && looked !== null) {
      onPut(Number(event.key));
      return;
    }
    const next = reachable === null ? null : nextPlanKey(rungs, reachable, event.key);
    if (next === null) return;
    event.preventDefault();
    byKey.current = true;
    onLook(next);
  };
}
