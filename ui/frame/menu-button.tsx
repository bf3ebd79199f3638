'use client';
import { usePathname } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from '#translations';

/** Opens and closes the parts of the bar that a phone has no room for (`in-menu`); wider screens show them always. */
export function MenuButton() {
  const t = useTranslations('frame');
  const path = usePathname();
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another page closes it
  useEffect(() => setOpen(false), [path]);
  useEffect(() => {
    if (!open) return;
    const close = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      setOpen(false);
      button.current?.focus();
    };
    window.addEventListener('keydown', close);
    return () => window.removeEventListener('keydown', close);
  }, [open]);
  return (
    <button
      ref={button}
      type="button"
      aria-expanded={open}
      onClick={() => setOpen(!open)}
      className="menu-button min-h-9 px-3 ml-auto rounded-notch border border-edge text-sm cursor-pointer hover:bg-sunk"
    >
      {t('menu')}
    </button>
  );
}
