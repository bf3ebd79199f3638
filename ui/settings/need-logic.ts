import type { SystemNeed, UseNeed } from '@/core/machine/suggest-target';
import { capacityText } from '@/core/memory/capacity';
import { parseCapacity } from '@/core/memory/parse-capacity';

export interface Needs {
  uses: UseNeed[];
  systems: SystemNeed[];
  floorMiB: number;
}

/** Uses by what they need, the most first: the rungs that they stand on. */
export function rungsOfUses(uses: readonly UseNeed[]): { mib: number; uses: UseNeed[] }[] {
  const sizes = [...new Set(uses.map(({ needMiB }) => needMiB))].sort((a, b) => b - a);
  return sizes.map((mib) => ({ mib, uses: uses.filter(({ needMiB }) => needMiB === mib) }));
}

/** A use or a system while it is typed. */
export interface Typed {
  name: string;
  size: string;
  /** why a use needs it; what a system can see at the most */
  more: string;
}

export const typedUse = ({ use, needMiB, reason }: UseNeed): Typed => ({
  name: use,
  size: capacityText(needMiB),
  more: reason,
});

export const typedSystem = ({ os, leastMiB, visibleMiB }: SystemNeed): Typed => ({
  name: os,
  size: capacityText(leastMiB),
  more: visibleMiB === null ? '' : capacityText(visibleMiB),
});

type Made<T> = { ok: true; value: T } | { ok: false; sentence: string };

const noSize = (text: string) => ({ ok: false as const, sentence: `"${text}" is no size such as 16 GB.` });

export function readUse({ name, size, more }: Typed): Made<UseNeed> {
  if (name.trim() === '') return { ok: false, sentence: 'A use needs its name.' };
  const needMiB = parseCapacity(size);
  return needMiB === null ? noSize(size) : { ok: true, value: { use: name.trim(), needMiB, reason: more.trim() } };
}

export function readSystem({ name, size, more }: Typed): Made<SystemNeed> {
  if (name.trim() === '') return { ok: false, sentence: 'A system needs its name.' };
  const leastMiB = parseCapacity(size);
  const visibleMiB = more.trim() === '' ? null : parseCapacity(more);
  if (leastMiB === null) return noSize(size);
  if (more.trim() !== '' && visibleMiB === null) return noSize(more);
  return { ok: true, value: { os: name.trim(), leastMiB, visibleMiB } };
}

/** The list with one entry in place of another; of none: added; by none: taken out. */
export function withEntry<T>(all: readonly T[], before: T | null, after: T | null): T[] {
  if (before === null) return after === null ? [...all] : [...all, after];
  return all.flatMap((one) => (one !== before ? [one] : after === null ? [] : [after]));
}
