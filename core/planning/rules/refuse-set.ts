import type { EffectiveLimits } from './effective-limits';

/** Why modules cannot be together in a machine whatever their places. */
export const MIX_REFUSALS = ['generation-mix', 'buffering-mix', 'voltage', 'total'] as const;
export type MixRefusal = (typeof MIX_REFUSALS)[number];

/** What the rules of a mix look at. */
export interface Mixed {
  generation: string;
  buffering: string;
  /** a bit for each voltage of the machine that the module runs at */
  voltages: number;
}

/** True where the known values differ; what is not known differs from nothing. */
export function differ(values: readonly (number | string | null | undefined)[]): boolean {
  let first: number | string | null = null;
  for (const value of values) {
    if (value == null) continue;
    if (first === null) first = value;
    else if (value !== first) return true;
  }
  return false;
}

const MIX_TESTS: Record<MixRefusal, (set: readonly Mixed[], totalMiB: number, force: EffectiveLimits) => boolean> = {
  'generation-mix': ([first, ...more]) => more.some(({ generation }) => generation !== first?.generation),
  'buffering-mix': ([first, ...more]) => more.some(({ buffering }) => buffering !== first?.buffering),
  voltage: (set) => set.reduce((common, { voltages }) => common & voltages, -1) === 0,
  total: (_, totalMiB, { total }) => total.official !== null && totalMiB > Math.max(total.official, total.proven ?? 0),
};

/** Codes that speak against these modules being together, wherever they stand. */
export function mixRefusals(set: readonly Mixed[], totalMiB: number, force: EffectiveLimits): MixRefusal[] {
  return MIX_REFUSALS.filter((code) => MIX_TESTS[code](set, totalMiB, force));
}
