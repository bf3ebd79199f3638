'use client';
import { useKeys } from '../client/use-keys';

/** Escape, or the key that turned the screen, turns it back. */
export function BackKey({ to }: { to: string }) {
  const back = () => window.location.assign(to);
  useKeys({ escape: back, x: back });
  return null;
}
