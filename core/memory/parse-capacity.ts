import { MIB_PER_GB } from './capacity';

const UNITS: Record<string, number> = { MB: 1, GB: MIB_PER_GB, TB: MIB_PER_GB * 1024 };

/** A capacity as people type it, in MiB: `16`, `16 GB`, `512mb`. A bare number is GB. Null where it is none. */
export function parseCapacity(text: string): number | null {
  const found = /^\s*(\d{1,7}(?:[.,]\d{1,3})?)\s*(MB|GB|TB|M|G|T)?\s*$/i.exec(text);
  if (found === null) return null;
  const unit = (found[2] ?? 'GB').toUpperCase();
  const mib = Number((found[1] ?? '').replace(',', '.')) * (UNITS[unit.length === 1 ? `${unit}B` : unit] ?? 0);
  return Number.isSafeInteger(mib) && mib > 0 ? mib : null;
}
