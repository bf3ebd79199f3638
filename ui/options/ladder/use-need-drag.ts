'use client';
import { type PointerEvent, useRef } from 'react';
import type { Steering } from '@/core/planning/filters/steering';

/** The total of the rung whose lower edge is nearest to a pointer; null: it is below them all. */
function needAt(event: PointerEvent<HTMLElement>): number | null {
  const rows = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-rung]')];
  const bottoms = rows.map((row) => ({ total: Number(row.dataset.rung), y: row.getBoundingClientRect().bottom }));
  const last = bottoms.at(-1);
  if (last === undefined || event.clientY > last.y + 14) return null;
  const nearest = bottoms.reduce((a, b) => (Math.abs(b.y - event.clientY) < Math.abs(a.y - event.clientY) ? b : a));
  return nearest.total;
}

/** The line of the need, dragged from rung to rung. @returns what the rungs' list hears of it */
export function useNeedDrag(onSteer: (patch: Partial<Steering>, live?: boolean) => void) {
  const dragging = useRef(false);
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if ((event.target as Element).closest('[data-grip]') === null) return;
      dragging.current = true;
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      if (dragging.current) onSteer({ needMiB: needAt(event) }, true);
    },
    onPointerUp: (event: PointerEvent<HTMLElement>) => {
      if (dragging.current) onSteer({ needMiB: needAt(event) });
      dragging.current = false;
    },
    onPointerCancel: () => {
      dragging.current = false;
    },
  };
}
