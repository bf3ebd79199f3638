import { getHeapStatistics } from 'node:v8';
import { read } from '../../core/reading/read';
import { mutate } from './mutate';
import { makeRandom } from './random';
import { seeds } from './seeds';

export interface FuzzReport {
  inputs: number;
  /** how often each kind of answer was given, faults included */
  answers: Record<string, number>;
  /** the longest single reading, ms */
  slowestMs: number;
  /** most bytes allocated by one reading beyond 20 times its input's size */
  mostBytesBeyond: number;
  failures: string[];
}

/** What one reading may allocate: 20 times its input's size, and this. */
const ALLOWANCE_BYTES = 16 * 1024 * 1024;
const TIMES_SIZE = 20;
/** No reading of some kilobytes takes as long; one that does hangs. */
const HANG_MS = 2000;

const used = (): number => {
  const heap = getHeapStatistics();
  return heap.used_heap_size + heap.external_memory;
};

const sample = (bytes: Uint8Array): string => Buffer.from(bytes.subarray(0, 400)).toString('base64');

/**
 * Reads mutated inputs of every kind: none may throw, hang, or allocate more than it may. The same seed gives the
 * same inputs. Allocation is measured as the growth of the heap over one reading, where no collection came between.
 */
export function fuzz(count: number, seed: number): FuzzReport {
  const random = makeRandom(seed);
  const good = seeds();
  const report: FuzzReport = { inputs: 0, answers: {}, slowestMs: 0, mostBytesBeyond: 0, failures: [] };
  // Titles are many and short, and so are lines of texts: half of the inputs are of the other kinds.
  const others = good.filter(({ kind }) => kind !== 'listing');
  for (; report.inputs < count && report.failures.length < 10; report.inputs++) {
    const from = report.inputs % 2 === 0 ? others : good;
    const one = from[random.below(from.length)]?.bytes ?? new Uint8Array();
    const other = good[random.below(good.length)]?.bytes ?? new Uint8Array();
    readOne(mutate(one, random, other), report);
  }
  return report;
}

function readOne(input: Uint8Array, report: FuzzReport): void {
  const before = used();
  const from = performance.now();
  try {
    const result = read(input);
    const answer = result.ok ? result.reading.format : result.code;
    report.answers[answer] = (report.answers[answer] ?? 0) + 1;
  } catch (cause) {
    report.failures.push(`threw ${String(cause)}: ${sample(input)}`);
    return;
  }
  const ms = performance.now() - from;
  const beyond = used() - before - TIMES_SIZE * input.length;
  report.slowestMs = Math.max(report.slowestMs, ms);
  report.mostBytesBeyond = Math.max(report.mostBytesBeyond, beyond);
  if (ms > HANG_MS) report.failures.push(`took ${Math.round(ms)} ms: ${sample(input)}`);
  if (beyond > ALLOWANCE_BYTES) report.failures.push(`allocated ${beyond} bytes too many: ${sample(input)}`);
}
