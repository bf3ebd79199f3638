import type { CountedSpeed } from './counted-speed';

/** First-word time of one module in ns (CL x 2000 / rate), or null where its CL is not known. */
export function latencyNs({ rateMTs, casLatency }: CountedSpeed): number | null {
  return casLatency === null ? null : (casLatency * 2000) / rateMTs;
}

/** The largest known latency of a set in ns; null where none is known. */
export function setLatencyNs(speeds: readonly CountedSpeed[]): number | null {
  let largest: number | null = null;
  for (const speed of speeds) {
    const ns = latencyNs(speed);
    if (ns !== null && (largest === null || ns > largest)) largest = ns;
  }
  return largest;
}
