'use client';
import { useEffect, useRef, useState } from 'react';

/** The width of an element in px as it changes; `initial` until it is measured, the nearer to it the less is drawn twice. */
export function useWidth<T extends HTMLElement>(initial: number | (() => number)) {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(initial);
  useEffect(() => {
    const element = ref.current;
    if (element === null) return;
    const observer = new ResizeObserver(
      ([entry]) => entry !== undefined && setWidth(Math.round(entry.contentRect.width)),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width] as const;
}
