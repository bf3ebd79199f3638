import { GENERATION_FACTS, type Generation } from '../../memory/generation';
import { printedRate } from '../../memory/printed-rate';
import type { SpdTiming } from '../reading';

/** Transfers in one clock cycle. */
const transfers = (generation: Generation): number => (generation === 'SDR' ? 1 : 2);

/** Nominal rates are multiples of a third of 100 MT/s, printed without their fraction. */
const THIRD = 100 / 3;

/** The rate behind a printed one: 2666 stands for 2666.67. */
export function exactRate(printed: number): number {
  const near = Math.round(printed / THIRD) * THIRD;
  return Math.abs(near - printed) < 1 ? near : printed;
}

const NUDGE = 1e-6;

/**
 * Shortest clock cycle of a standard rate in ps. The speed bin tables of JESD79 to JESD79-4 round it, those of
 * JESD79-5 cut it off.
 */
export function cyclePs(generation: Generation, rateMTs: number): number {
  const ps = (transfers(generation) * 1_000_000) / exactRate(rateMTs);
  // The nudge keeps thirds of a rate from falling just below the half or the whole that they stand for.
  return generation === 'DDR5' ? Math.floor(ps + NUDGE) : Math.round(ps + NUDGE);
}

/** How far a stored cycle may be from the standard one: a 1.25 ns and a 1.249 ns part are both 1600. */
const TOLERANCE = 0.015;

/**
 * The standard rate of a module by its shortest clock cycle, as the trade prints it: the standard rate it means, else
 * the fastest standard rate that it reaches, and above the table the rate itself.
 *
 * @param ps shortest cycle in ps
 */
export function standardRate(generation: Generation, ps: number): number {
  const exact = (transfers(generation) * 1_000_000) / ps;
  const rates = GENERATION_FACTS[generation].ratesMTs;
  const meant = rates.find((rate) => Math.abs(exactRate(rate) - exact) / exact <= TOLERANCE);
  if (meant !== undefined) return meant;
  const fastest = rates.at(-1) ?? 0;
  if (exact > fastest) return printedRate(Math.round(exact));
  return rates.findLast((rate) => rate < exact) ?? Math.round(exact);
}

/**
 * Clock cycles that a time takes: rounded up, but for the guard that the standards lay down against the rounding of
 * cycle times (JEDEC 21-C annex L "rounding algorithm", JESD400-5 clause on timing conversions).
 */
function cyclesOf(generation: Generation, ps: number, cycle: number): number {
  return generation === 'DDR5'
    ? Math.floor((Math.floor((ps * 997) / cycle) + 1000) / 1000)
    : Math.floor((Math.floor((ps * 1000) / cycle) + 974) / 1000);
}

export interface TimesPs {
  aa: number | null;
  rcd: number | null;
  rp: number | null;
  ras: number | null;
}

const ns = (cycles: number, rate: number, generation: Generation): number =>
  Math.round((cycles * transfers(generation) * 1_000_000) / exactRate(rate)) / 1000;

function timing(generation: Generation, rateMTs: number, casLatency: number, times: TimesPs): SpdTiming {
  const cycle = cyclePs(generation, rateMTs);
  const inCycles = (ps: number | null): number | null => (ps === null ? null : cyclesOf(generation, ps, cycle));
  const inNs = (cycles: number | null): number | null => (cycles === null ? null : ns(cycles, rateMTs, generation));
  const [rcd, rp, ras] = [inCycles(times.rcd), inCycles(times.rp), inCycles(times.ras)];
  const cas = ns(casLatency, rateMTs, generation);
  return { rateMTs, casLatency, rcd, rp, ras, ns: { cas, rcd: inNs(rcd), rp: inNs(rp), ras: inNs(ras) } };
}

/** The rate itself and every slower standard rate of its generation, fastest first. */
function ratesFrom(generation: Generation, own: number): number[] {
  const slower = GENERATION_FACTS[generation].ratesMTs.filter((rate) => rate < own);
  return [own, ...slower.reverse()];
}

/**
 * Timings at a module's rate and at every slower standard rate: CL is the least supported one that gives the module
 * its time. A rate that no supported CL reaches is left out.
 *
 * @param own standard rate, MT/s
 * @param latencies supported CLs, ascending
 */
export function timingsByTime(generation: Generation, own: number, latencies: number[], times: TimesPs): SpdTiming[] {
  const { aa } = times;
  if (aa === null) return [];
  return ratesFrom(generation, own).flatMap((rate) => {
    const least = cyclesOf(generation, aa, cyclePs(generation, rate));
    const casLatency = latencies.find((latency) => latency >= least);
    return casLatency === undefined ? [] : [timing(generation, rate, casLatency, times)];
  });
}

/** A supported CL and the shortest cycle at it, in ps; null: not stored, so only as fast as the next higher CL. */
export interface LatencyPoint {
  casLatency: number;
  ps: number | null;
}

/**
 * The same for SPDs that store the cycle of their two or three highest CLs (SDR, DDR, DDR2).
 *
 * @param points by CL, ascending
 */
export function timingsByPoint(
  generation: Generation,
  own: number,
  points: readonly LatencyPoint[],
  times: Omit<TimesPs, 'aa'>,
): SpdTiming[] {
  return ratesFrom(generation, own).flatMap((rate) => {
    const cycle = cyclePs(generation, rate) * (1 + TOLERANCE);
    const point = points.find(({ ps }) => ps !== null && ps <= cycle);
    return point === undefined ? [] : [timing(generation, rate, point.casLatency, { aa: null, ...times })];
  });
}
