'use client';
import { useEffect, useRef } from 'react';

/** True where a key belongs to something else: a field, a list, a sheet over the page; Enter, to whatever it presses. */
function isTaken({ target, key, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean {
  if (ctrlKey || metaKey || altKey || !(target instanceof Element)) return true;
  if (key === 'Enter' && target.closest('button, a, summary') !== null) return true;
  return target.closest('input, textarea, select, [contenteditable], [role="dialog"]') !== null;
}

/** Does what single keys stand for, by their small letters, wherever the focus is, but in fields and sheets. */
export function useKeys(keys: Readonly<Record<string, () => void>>): void {
  const now = useRef(keys);
  now.current = keys;
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const act = isTaken(event) ? undefined : now.current[event.key.toLowerCase()];
      if (act === undefined) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
