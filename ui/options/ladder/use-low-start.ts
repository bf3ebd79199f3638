'use client';
import { type RefObject, useEffect, useRef } from 'react';

/** From these on the ladder stands where its reader has it. */
const TOUCHES = ['pointerdown', 'wheel', 'keydown'] as const;
/** Room for the ground and the rungs below the wanted one, px. */
const GROUND_HEIGHT = 150;

/** Stands the ladder so that a rung is low in its box, with what is more above it, until its reader does anything. */
export function useLowStart(box: RefObject<HTMLElement | null>, startMiB: number | undefined): void {
  const first = useRef(startMiB);
  useEffect(() => {
    const ladder = box.current;
    if (ladder === null) return;
    const place = () => {
      const row = ladder.querySelector<HTMLElement>(`[data-rung="${first.current}"]`);
      if (row !== null) ladder.scrollTop = row.offsetTop + row.offsetHeight - ladder.clientHeight + GROUND_HEIGHT;
    };
    // Rows get their height when the width of the page and its letters are known: until somebody does something, the rung is
    // put in its place again, so that its line is never behind the ground.
    const grown = new ResizeObserver(place);
    for (const part of [ladder, ...ladder.querySelectorAll('ol')]) grown.observe(part);
    const stop = () => {
      grown.disconnect();
      for (const what of TOUCHES) window.removeEventListener(what, stop);
    };
    for (const what of TOUCHES) window.addEventListener(what, stop, { passive: true });
    return stop;
  }, [box]);
}
