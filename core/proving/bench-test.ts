import type { Depth, TrialOutcome } from '../machine/limits/evidence';
import type { Machine } from '../planning/model/case';
import { mostHeld } from './held-share';

/** What was seen with so many of the modules in the machine, and no others that can be taken out. Capacity MiB. */
export interface BenchRun {
  modules: number;
  starts: boolean;
  /** what the machine says that it has; null: nobody looked */
  seenMiB: number | null;
  /** beeps, lights, messages, crashes; empty: none */
  signs: string;
  /** so long it ran under load; null: it did not */
  loadedMinutes: number | null;
}

/** Modules that are tried before anything is promised. Capacities MiB. */
export interface Tried {
  modules: number;
  moduleMiB: number;
  /** what is there beside them, soldered */
  solderedMiB: number;
  /** the board takes modules in pairs alone */
  inPairs: boolean;
}

/** With how many modules it is tried, one after another: one size alone, then all of them. */
export function runsOf({ modules, inPairs }: Pick<Tried, 'modules' | 'inPairs'>): number[] {
  return modules === 1 || inPairs ? [modules] : [1, modules];
}

/** What the machine should show with so many of them. */
export const expectedMiB = ({ solderedMiB, moduleMiB }: Pick<Tried, 'solderedMiB' | 'moduleMiB'>, modules: number) =>
  solderedMiB + modules * moduleMiB;

/** What a run says of these modules in this model, and how deep it looked. */
export function outcomeOfRun(
  tried: Pick<Tried, 'solderedMiB' | 'moduleMiB'>,
  { modules, starts, seenMiB, signs, loadedMinutes }: BenchRun,
): { outcome: TrialOutcome; depth: Depth } {
  const depth = !starts ? 'started' : loadedMinutes !== null ? 'loaded' : seenMiB !== null ? 'total-read' : 'started';
  if (!starts) return { outcome: 'fails-to-start', depth };
  const expected = expectedMiB(tried, modules);
  // Graphics, devices and firmware hold some of it back, as far as a proof believes them, too.
  const isWrong = seenMiB !== null && (seenMiB > expected || seenMiB < expected - mostHeld(expected, []));
  return { outcome: isWrong || signs !== '' ? 'starts-with-faults' : 'works', depth };
}

/** With how many it is tried next; null: it is known how it goes. */
export function nextRun(tried: Tried, runs: readonly BenchRun[]): number | null {
  if (runs.some((run) => outcomeOfRun(tried, run).outcome !== 'works')) return null;
  return runsOf(tried)[runs.length] ?? null;
}

/** Does the board take modules in pairs alone? */
export const takesPairs = ({ pairing }: Pick<Machine, 'pairing'>): boolean => pairing === 'required';
