import type { Lane, Origin } from './lanes';

/** What becomes of the modules that are in the machine. */
export const REUSES = ['add', 'rearrange', 'replace', 'swap'] as const;
export type Reuse = (typeof REUSES)[number];

/** The one origin of all that is bought; `mixed` for several, `none` where nothing is bought. */
export function laneOf(bought: readonly { origin: Origin }[]): Lane {
  const first = bought[0]?.origin ?? 'none';
  for (const { origin } of bought) if (origin !== first) return 'mixed';
  return first;
}

/** Nothing removed is `add` (also where nothing was installed), or `rearrange` where nothing is bought either. */
export function reuseOf(installed: number, kept: number, bought: number): Reuse {
  if (kept === installed) return bought === 0 ? 'rearrange' : 'add';
  return kept === 0 ? 'replace' : 'swap';
}
