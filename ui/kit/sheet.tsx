'use client';
import dynamic from 'next/dynamic';
import type { SheetProps } from './sheet-props';

// Fetched with the first sheet that opens: no screen needs one to be there.
const SheetCard = dynamic(() => import('./sheet-card').then((module) => module.SheetCard), { ssr: false });

/** A sheet over the work; Escape or a press beside it puts it away. */
export function Sheet({ open, ...card }: SheetProps) {
  return open ? <SheetCard {...card} /> : null;
}
