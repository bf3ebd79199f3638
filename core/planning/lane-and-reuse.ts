import type { Lane, PlanCase } from './case';
import type { Purchase } from './combinations';

/** What becomes of the modules that are in the machine. */
export const REUSES = ['add', 'rearrange', 'replace', 'swap'] as const;
export type Reuse = (typeof REUSES)[number];

/** The one origin of all that is bought; `mixed` for several, `none` where nothing is bought. */
export function laneOf(planCase: PlanCase, bought: readonly Purchase[]): Lane {
  const origins = new Set(bought.map(({ offer }) => planCase.offers[offer]?.origin ?? 'used'));
  const [only] = origins;
  if (only === undefined) return 'none';
  return origins.size === 1 ? only : 'mixed';
}

/** Nothing removed is `add` (also where nothing was installed), or `rearrange` where nothing is bought either. */
export function reuseOf(installed: number, kept: number, bought: number): Reuse {
  if (kept === installed) return bought === 0 ? 'rearrange' : 'add';
  return kept === 0 ? 'replace' : 'swap';
}
