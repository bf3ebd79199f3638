import type { MemoryModule } from '../../memory/module';

export interface CountedSpeed {
  /** MT/s */
  rateMTs: number;
  /** clock cycles; null: not known */
  casLatency: number | null;
}

/**
 * The rate and CL a module counts with: its standard ones, or, on a board that runs overclock profiles, those of
 * its fastest profile where it has one (of equally fast profiles the one with the least known CL).
 */
export function countedSpeed(module: MemoryModule, profiles: boolean): CountedSpeed {
  const standard = { rateMTs: module.rateMTs, casLatency: module.casLatency ?? null };
  if (!profiles) return standard;
  const stored = (module.profiles ?? []).map((one) => ({ rateMTs: one.rateMTs, casLatency: one.casLatency ?? null }));
  const cl = (speed: CountedSpeed) => speed.casLatency ?? Number.POSITIVE_INFINITY;
  return stored.sort((a, b) => b.rateMTs - a.rateMTs || (cl(a) < cl(b) ? -1 : 1))[0] ?? standard;
}
