import type { SpdTiming } from '../core/reading/reading';
import type { Ddr3Spec, Ddr4Spec, Ddr5Spec } from '../demo/spd-image';

/** Who made a module, as its SPD says it. */
export const NAMES = {
  makerId: [0x82, 0xa7],
  part: 'VE4S8-2666',
  serial: [0x1a, 0x2b, 0x3c, 0x4d],
  made: [21, 7],
} as const;

/** An unbuffered DIMM of DDR4; those below of the others. */
export const DDR4: Ddr4Spec = {
  ...NAMES,
  type: 3,
  gbit: 8,
  ranks: 1,
  width: 8,
  cyclePs: 750,
  latencies: [10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20],
  aaPs: 13750,
  heightMm: 30,
};
export const DDR3: Ddr3Spec = {
  ...NAMES,
  type: 3,
  gbit: 4,
  ranks: 2,
  width: 8,
  voltage: 2,
  cyclePs: 1250,
  latencies: [6, 7, 8, 9, 10, 11],
  aaPs: 13125,
};
export const DDR5: Ddr5Spec = {
  ...NAMES,
  type: 2,
  gbit: 16,
  ranks: 1,
  width: 8,
  cyclePs: 357,
  latencies: [22, 26, 28, 30, 32, 36, 40, 42, 46, 50],
  aaPs: 16000,
};

/** Rates with their CL. */
export const cls = (timings: SpdTiming[] | undefined) =>
  timings?.map(({ rateMTs, casLatency }) => [rateMTs, casLatency]);
