import type { Lane, Origin } from './case';

/** What becomes of the modules that are in the machine. */
export const REUSES = ['add', 'rearrange', 'replace', 'swap'] as const;
export type Reuse = (typeof REUSES)[number];

/** The one origin of all that is bought; `mixed` for several, `none` where nothing is bought. */
export function laneOf(origins: readonly Origin[]): Lane {
  const [first] = origins;
  if (first === undefined) return 'none';
  return origins.every((origin) => origin === first) ? first : 'mixed';
}

/** Nothing removed is `add` (also where nothing was installed), or `rearrange` where nothing is bought either. */
export function reuseOf(installed: number, kept: number, bought: number): Reuse {
  if (kept === installed) return bought === 0 ? 'rearrange' : 'add';
  return kept === 0 ? 'replace' : 'swap';
}
