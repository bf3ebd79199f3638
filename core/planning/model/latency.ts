import type { CountedSpeed } from './counted-speed';

/** First-word time of one module in ns (CL x 2000 / rate), or null where its CL is not known. */
export function latencyNs({ rateMTs, casLatency }: CountedSpeed): number | null {
  return casLatency === null ? null : (casLatency * 2000) / rateMTs;
}

/** The largest known latency of a set in ns; null where none is known. */
export function setLatencyNs(speeds: readonly CountedSpeed[]): number | null {
  const known = speeds.map(latencyNs).filter((ns) => ns !== null);
  return known.length === 0 ? null : Math.max(...known);
}
