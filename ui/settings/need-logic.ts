import type { SystemNeed, UseNeed } from '@/core/machine/suggest-target';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';
import { capacityText } from '../words/amounts';

export interface ShownNeeds {
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
export interface TypedNeed {
  name: string;
  size: string;
  /** why a use needs it; what a system can see at most */
  more: string;
}

export const typedUse = ({ use, needMiB, reason }: UseNeed): TypedNeed => ({
  name: use,
  size: capacityText(needMiB),
  more: reason,
});

export const typedSystem = ({ os, leastMiB, visibleMiB }: SystemNeed): TypedNeed => ({
  name: os,
  size: capacityText(leastMiB),
  more: visibleMiB === null ? '' : capacityText(visibleMiB),
});

const noSize = (t: StaffWords<'settings'>, text: string): string => t('needs.faults.useSize', { text });

export function readUse(t: StaffWords<'settings'>, { name, size, more }: TypedNeed): Read<TypedNeed, UseNeed> {
  const needMiB = parseCapacity(size);
  const looked = { name: !isTyped(name) && t('needs.faults.use'), size: needMiB === null && noSize(t, size) };
  return readTyped<TypedNeed, UseNeed>(looked, () => ({
    use: name.trim(),
    needMiB: needMiB ?? 0,
    reason: more.trim(),
  }));
}

export function readSystem(t: StaffWords<'settings'>, { name, size, more }: TypedNeed): Read<TypedNeed, SystemNeed> {
  const leastMiB = parseCapacity(size);
  const visibleMiB = isTyped(more) ? parseCapacity(more) : null;
  const looked = {
    name: !isTyped(name) && t('needs.faults.system'),
    size: leastMiB === null && noSize(t, size),
    more: isTyped(more) && visibleMiB === null && noSize(t, more),
  };
  return readTyped<TypedNeed, SystemNeed>(looked, () => ({ os: name.trim(), leastMiB: leastMiB ?? 0, visibleMiB }));
}

/** The list with one entry in place of another; of none: added; by none: taken out. */
export function withEntry<T>(all: readonly T[], before: T | null, after: T | null): T[] {
  if (before === null) return after === null ? [...all] : [...all, after];
  return all.flatMap((one) => (one !== before ? [one] : after === null ? [] : [after]));
}
