'use client';
import { useRouter } from 'next/navigation';
import { type MouseEvent, type ReactNode, type SyntheticEvent, useRef } from 'react';

/** The address of ours that an event's link leads to; null: there is none, or it opens elsewhere. */
function nearHref({ target }: SyntheticEvent): string | null {
  const link = target instanceof Element ? target.closest('a') : null;
  const href = link?.getAttribute('href') ?? null;
  return href?.startsWith('/') && link?.target === '' && !link.hasAttribute('download') ? href : null;
}

/**
 * Plain links within lead on without loading a whole page, and their pages are fetched ahead once a pointer or the keyboard comes
 * near: as a {@link NearLink} each would, for lists whose every row is one.
 */
export function NearLinks({ children }: { children: ReactNode }) {
  const router = useRouter();
  const fetched = useRef(new Set<string>());
  const come = (event: SyntheticEvent) => {
    const href = nearHref(event);
    if (href === null || fetched.current.has(href)) return;
    fetched.current.add(href);
    router.prefetch(href);
  };
  const go = (event: MouseEvent) => {
    const href = nearHref(event);
    const isPlain = event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey && !event.altKey;
    if (href === null || !isPlain || event.defaultPrevented) return;
    event.preventDefault();
    router.push(href);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the links within are what is pressed, by keyboard too; this only hears it
    // biome-ignore lint/a11y/useKeyWithClickEvents: Enter on a link is a click on it
    <div onClick={go} onPointerOver={come} onFocus={come}>
      {children}
    </div>
  );
}
